import { closingWindow } from '@/core/bond/openTime';
import type { Block, BondingMethodId } from '@/core/bond/bondingMethods';
import type { EdgeId } from '@/core/device/types';
import type { Closing } from '@/core/bond/closing';
import type { JobState } from '@/model/fold';
import type { Settings } from '@/model/settings';
import { clock, length, time } from '@/words/units';
import type { BondWork, TapeWork } from '@/work/bond/bondWork';
import type { BeadWork } from '@/work/bond/beadWork';

type Units = Pick<Settings, 'temperature' | 'length'>;

export interface BondText {
  sentence: string;
  reason: string;
  tone: 'ink' | 'caution';
}

export const blockWords: Record<Block, string> = {
  noSealClaim: 'no seal measurement after it',
  notInStock: 'not in stock',
  gapVariation: 'does not touch all round',
  driesThin: 'dries thin and fills no gap',
  notReadyInTime: 'not ready before the promise',
  residue: 'residue or film is left: tape does not stick to it',
  oldRingNotIntact: 'old ring not said to be whole',
  fullAreaNeedsFill: 'bonded over the whole area',
  ringOnly: 'only for a cover that was bonded all over',
};

export const consequence: Record<BondingMethodId, string> = {
  precutRing: 'quickest to lay, clean rework; the only one after which a seal measurement is even discussed',
  cutTape: 'always at hand, cheap, clean rework; joints at the corners leak, no seal measurement is offered',
  liquidBead: 'goes where no ring is to be had; slow, squeezes out, harder to open again; no seal measurement',
  reuseTopup: 'only over an old ring that is whole and clean; cheap, comes back most often; no seal measurement',
  fullFill: 'ring first, then even lines; carries the middle of the glass, slowest to dry, hardest to open again',
};

const edgeWords: Record<EdgeId, string> = { top: 'top', bottom: 'bottom', left: 'left', right: 'right' };

/** Which side goes down first, in words. */
export function closingText(c: Closing): string {
  if (c.first === 'cableEdge')
    return `${cap(edgeWords[c.edge])} edge first, the cable folds there; plugs on before. Then the ${edgeWords[c.then]} edge.`;
  if (c.first === 'camera') return `Camera opening first, then the ${edgeWords[c.then]} edge, then both sides.`;
  return 'One corner first, along one edge, the rest follows.';
}
const cap = (s: string) => `${s[0]!.toUpperCase()}${s.slice(1)}`;

export function tapeText(t: TapeWork | null, units: Units): BondText {
  if (!t)
    return {
      sentence: 'No tape in stock.',
      reason: 'Count a roll on Stock, or take another way.',
      tone: 'caution',
    };
  const { plan, cuts } = t;
  if (cuts.lacking.length)
    return {
      sentence: `The roll is too short: ${length(plan.rollUsedMm, units, 0)} needed.`,
      reason: `${length(t.rollMm, units, 0)} on rolls; ${cuts.lacking.length} of ${plan.pieces.length} pieces find no place. Open a new roll and count it on Stock.`,
      tone: 'caution',
    };
  const off = cuts.cuts.filter((c) => c.from === 'offcut').reduce((m, c) => m + c.usedMm, 0);
  return {
    sentence: `Cut ${plan.pieces.length} pieces, ${length(plan.rollUsedMm, units, 0)} of tape.`,
    reason: `${off > 0 ? `${length(off, units, 0)} from ${cuts.offcutsOpened} ${cuts.offcutsOpened === 1 ? 'offcut' : 'offcuts'}, ${length(cuts.rollMm, units, 0)} from the roll${cuts.proven ? '' : ', not proven to be least'}. ` : ''}${
      plan.scheme === 'facet'
        ? `${plan.facetsPerCorner} chords a corner, mitred ${plan.mitreDeg.straight.toFixed(1)}° and ${plan.mitreDeg.facet.toFixed(0)}°.`
        : 'Square butt joints.'
    } No overlap: a double layer is a bump.${plan.brokenRing ? ' Open where the vent is.' : ''}`,
    tone: 'ink',
  };
}

export function ringText(work: BondWork): BondText {
  return work.rings > 0
    ? {
        sentence: 'Lay the new ring from one corner.',
        reason:
          'One corner, along one edge, the rest follows; press, then peel the liner. Cameras and microphones stay clear.',
        tone: 'ink',
      }
    : {
        sentence: 'No ring for this device in stock.',
        reason: 'Take another way, or wait for the part.',
        tone: 'caution',
      };
}

/** A bead before, while and after it is laid. */
export function beadText(
  job: JobState,
  b: BeadWork | null,
  problem: string | null,
  now: number,
  units: Units,
): BondText {
  if (!b) return { sentence: problem ?? 'No liquid in stock.', reason: 'Nothing is changed by it.', tone: 'caution' };
  const strokes = `${b.strokes.length} ${b.strokes.length === 1 ? 'stroke' : 'strokes'}`;
  if (!job.bead) {
    const needs = b.ml > b.leftMl;
    if (b.expired || needs)
      return {
        sentence: b.expired
          ? `${b.liquid.name} is over its date.`
          : `Not enough in the tube: ${b.ml.toFixed(2)} ml needed.`,
        reason: `${b.leftMl.toFixed(1)} ml left. Open another one and count it on Stock.`,
        tone: 'caution',
      };
    const w = closingWindow(0, b.pace.totalS * 1e3, b.open);
    return w.shut
      ? {
          sentence: 'Too slow for this glue: it skins before it has waited.',
          reason: `${clock(b.pace.totalS)} to lay, then ${clock(b.open.waitS)} open; a skin comes after ${clock(b.open.skinS)}. Move the hand faster, or take a glue that need not wait.`,
          tone: 'caution',
        }
      : {
          sentence: `Lay ${b.ml.toFixed(2)} ml in ${strokes}: ${clock(b.pace.totalS)} at ${b.bead.feedMmS.toFixed(1)} mm/s.`,
          reason: `Bead ${length(b.bead.layWidthMm, units, 1)} wide and ${length(b.bead.heightMm, units, 1)} high closes to ${length(b.bondMm, units, 1)}; ${Math.round(b.bead.plungerN)} N on the plunger. Start at the ring on the plan.`,
          tone: 'ink',
        };
  }
  const { startAt, endAt } = job.bead;
  if (endAt === null) {
    const left = b.pace.totalS - (now - startAt) / 1e3;
    return {
      sentence: left > 0 ? `Follow the mark: ${clock(left)} to go.` : `The mark is round: ${clock(-left)} over.`,
      reason: `${strokes}. The skin comes at ${time(startAt + b.open.skinS * 1e3)}; before that it has to be closed.`,
      tone: left < -20 ? 'caution' : 'ink',
    };
  }
  const w = closingWindow(startAt, endAt, b.open);
  if (now < w.fromAt)
    return {
      sentence: `Leave it open: close in ${clock((w.fromAt - now) / 1e3)}.`,
      reason: w.shut
        ? 'Laying took so long that the first of it has a skin by then: wipe it off and lay anew.'
        : `Last chance to close ${time(w.untilAt)}, in ${clock((w.untilAt - now) / 1e3)}.`,
      tone: w.shut ? 'caution' : 'ink',
    };
  if (now < w.untilAt)
    return {
      sentence: `Close now: ${clock((w.untilAt - now) / 1e3)} left.`,
      reason: 'Blow over the lenses once more, lay it on, press round in the order on the plan.',
      tone: (w.untilAt - now) / 1e3 < 20 ? 'caution' : 'ink',
    };
  return {
    sentence: `A skin since ${clock((now - w.untilAt) / 1e3)}: it does not bond any more.`,
    reason: 'Wipe it off with what its maker names, lay it anew.',
    tone: 'caution',
  };
}
