import { said } from '@/words/codes';
import { closingWindow } from '@/core/bond/openTime';
import type { BondingMethod, Block, BondingMethodId } from '@/core/bond/bondingMethods';
import type { Closing } from '@/core/bond/closing';
import type { JobState } from '@/model/fold';
import type { Settings } from '@/model/settings';
import { digits, length, spoken, time } from '@/words/units';
import type { BondWork, TapeWork } from '@/work/bond/bondWork';
import type { BeadWork } from '@/work/bond/beadWork';
import { t as tr } from '@/words/bond';

type Units = Pick<Settings, 'temperature' | 'length'>;

export interface BondText {
  sentence: string;
  reason: string;
  tone: 'ink' | 'caution';
}

export const blockWords: Record<Block, string> = {
  get noSealClaim() {
    return tr('noAirTestAfterIt');
  },
  get notInStock() {
    return tr('notInStock');
  },
  get gapVariation() {
    return tr('doesNotTouchAllRound');
  },
  get driesThin() {
    return tr('driesThinAndFillsNoGap');
  },
  get notReadyInTime() {
    return tr('notReadyBeforeThePromise');
  },
  get residue() {
    return tr('oldGlueOrFilmIsLeft');
  },
  get oldRingNotIntact() {
    return tr('nobodyHasSaidThatTheOld');
  },
  get fullAreaNeedsFill() {
    return tr('gluedOverTheWholeArea');
  },
  get ringOnly() {
    return tr('onlyForABackThatWas');
  },
  get notOnThePart() {
    return tr('thePartHasNoAdhesive');
  },
  get nowhereABead() {
    return tr('nobodySaidWhereABead');
  },
};

export const consequence: Record<BondingMethodId, string> = {
  get precutRing() {
    return tr('quickestToLayCleanToRedo');
  },
  get cutTape() {
    return tr('alwaysAtHandCheapCleanTo');
  },
  get liquidBead() {
    return tr('worksWhereThereIsNoRing');
  },
  get reuseTopup() {
    return tr('onlyOverAnOldRingThat');
  },
  get fullFill() {
    return tr('ringFirstThenEvenLinesHolds');
  },
  get preGlued() {
    return tr('peelSetPressNothingToLay');
  },
  get reuseRing() {
    return tr('oldRingAsItIsQuickest');
  },
  get tapeAndBead() {
    return tr('tapeWhereItHoldsBeadWhere');
  },
};

/** Which side goes down first, in words. */
export function closingText(c: Closing): string {
  if (c.first === 'cableEdge')
    return tr('edgeFirstTheCableFoldsThere', { edge: cap(said(c.edge)), then: said(c.then) });
  if (c.first === 'camera') return tr('cameraOpeningFirstThenTheEdge', { then: said(c.then) });
  return tr('oneCornerFirstThenAlongOne');
}
const cap = (s: string) => `${s[0]!.toUpperCase()}${s.slice(1)}`;

export function tapeText(t: TapeWork | null, units: Units): BondText {
  if (!t)
    return {
      sentence: tr('noTapeInStock'),
      reason: tr('countARollOnStockOr'),
      tone: 'caution',
    };
  const { plan, cuts } = t;
  if (cuts.lacking.length)
    return {
      sentence: tr('theRollIsTooShortNeeded', { rollUsedMm: length(plan.rollUsedMm, units, 0) }),
      reason: tr('onRollsOfPiecesFindNo', {
        rollMm: length(t.rollMm, units, 0),
        n: cuts.lacking.length,
        of: plan.pieces.length,
      }),
      tone: 'caution',
    };
  const off = cuts.cuts.filter((c) => c.from === 'offcut').reduce((m, c) => m + c.usedMm, 0);
  return {
    sentence: tr('cutPiecesOfTape', { count: plan.pieces.length, rollUsedMm: length(plan.rollUsedMm, units, 0) }),
    reason: [
      ...(off > 0
        ? [
            tr('fromOffcuts', {
              count: cuts.offcutsOpened,
              off: length(off, units, 0),
              rollMm: length(cuts.rollMm, units, 0),
            }),
            ...(cuts.proven ? [] : [tr('aBetterCutMayExist')]),
          ]
        : []),
      plan.scheme === 'facet'
        ? tr('chordsACorner', {
            facetsPerCorner: plan.facetsPerCorner,
            straightDeg: digits(plan.mitreDeg.straight, 1),
            facetDeg: digits(plan.mitreDeg.facet),
          })
        : tr('squareButtJoints'),
      tr('noOverlap'),
      ...(plan.brokenRing ? [tr('openWhereTheVentIs')] : []),
    ].join(' '),
    tone: 'ink',
  };
}

export function ringText(work: BondWork): BondText {
  return work.rings > 0
    ? {
        sentence: tr('layTheNewRingFromOne'),
        reason: tr('oneCornerAlongOneEdgeThe'),
        tone: 'ink',
      }
    : {
        sentence: tr('noRingForThisDeviceIn'),
        reason: tr('bondAnotherWayOrWaitFor'),
        tone: 'caution',
      };
}

/** A part that brings its adhesive: liner off, once set it is not moved. */
export const onPartText = (): BondText => ({
  sentence: tr('peelTheLinerSetItPress'),
  reason: tr('dryFitWithTheLinerOn'),
  tone: 'ink',
});

/** The old ring again: only where somebody said that it is whole. */
export const oldRingText = (job: Pick<JobState, 'prep'>): BondText =>
  job.prep.has('oldRingWhole')
    ? { sentence: tr('setItOnTheOldRing'), reason: tr('ringWarmAndTackyPressLonger'), tone: 'ink' }
    : { sentence: tr('isTheOldRingWhole'), reason: tr('lookRoundItOnceSayIt'), tone: 'caution' };

/** Tape or ring goes down first with its liner on; then the bead, for its clock runs from the first of it. */
export const tapeFirst = (bead: BondText, lays: BondingMethod['lays'], strips: TapeWork | null): BondText =>
  bead.tone === 'caution'
    ? bead
    : {
        ...bead,
        reason: `${lays === 'ring' ? tr('ringFirstCutOutWhereBead') : tr('piecesFirstLinerOn', { count: strips?.plan.pieces.length ?? 0 })} ${bead.reason}`,
      };

/** A bead before, while and after it is laid. */
export function beadText(
  job: JobState,
  b: BeadWork | null,
  problem: string | null,
  now: number,
  units: Units,
): BondText {
  if (!b) return { sentence: problem ?? tr('noLiquidInStock'), reason: tr('nothingChangesByIt'), tone: 'caution' };
  const strokes =
    b.strokes.length === 1 ? tr('stroke', { n: b.strokes.length }) : tr('strokes', { n: b.strokes.length });
  if (!job.bead) {
    const needs = b.ml > b.leftMl;
    if (b.expired || needs)
      return {
        sentence: b.expired
          ? tr('isPastItsDate', { name: b.liquid.name })
          : tr('notEnoughInTheTubeMl', { figure: digits(b.ml, 2) }),
        reason: tr('mlLeftOpenAnotherOneAnd', { figure: digits(b.leftMl, 1) }),
        tone: 'caution',
      };
    const w = closingWindow(0, b.pace.totalS * 1e3, b.open);
    return w.shut
      ? {
          sentence: tr('tooSlowForThisGlueA'),
          reason: tr('toLayThenOpenTheSkin', {
            totalS: spoken(b.pace.totalS),
            waitS: spoken(b.open.waitS),
            skinS: spoken(b.open.skinS),
          }),
          tone: 'caution',
        }
      : {
          sentence: tr('layMlInAtMmS', {
            figure: digits(b.ml, 2),
            strokes,
            totalS: spoken(b.pace.totalS),
            figure2: digits(b.bead.feedMmS, 1),
          }),
          reason: tr('aBeadWideAndHighCloses', {
            layWidthMm: length(b.bead.layWidthMm, units, 1),
            heightMm: length(b.bead.heightMm, units, 1),
            bondMm: length(b.bondMm, units, 1),
            plungerN: Math.round(b.bead.plungerN),
          }),
          tone: 'ink',
        };
  }
  const { startAt, endAt } = job.bead;
  if (endAt === null) {
    const left = b.pace.totalS - (now - startAt) / 1e3;
    return {
      sentence:
        left > 0 ? tr('followTheMarkToGo', { left: spoken(left) }) : tr('theMarkIsRoundOver', { left: spoken(-left) }),
      reason: tr('theSkinComesAtCloseBefore', { strokes, startAt: time(startAt + b.open.skinS * 1e3) }),
      tone: left < -20 ? 'caution' : 'ink',
    };
  }
  const w = closingWindow(startAt, endAt, b.open);
  if (now < w.fromAt)
    return {
      sentence: tr('leaveItOpenCloseIn', { fromAt: spoken((w.fromAt - now) / 1e3) }),
      reason: w.shut
        ? tr('layingTookSoLongThatThe')
        : tr('lastChanceToCloseIn', { untilAt: time(w.untilAt), untilAt2: spoken((w.untilAt - now) / 1e3) }),
      tone: w.shut ? 'caution' : 'ink',
    };
  if (now < w.untilAt)
    return {
      sentence: tr('closeNowLeft', { untilAt: spoken((w.untilAt - now) / 1e3) }),
      reason: tr('blowTheLensesOffOnceMore'),
      tone: (w.untilAt - now) / 1e3 < 20 ? 'caution' : 'ink',
    };
  return {
    sentence: tr('itHasHadASkinFor', { now: spoken((now - w.untilAt) / 1e3) }),
    reason: tr('wipeItOffWithWhatIts'),
    tone: 'caution',
  };
}
