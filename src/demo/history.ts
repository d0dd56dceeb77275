import { gaugePoints } from '@/core/fit/gaugePoints';
import type { ComeBackCause } from '@/model/entries/check';
import type { JobEvent, NewEvent } from '@/model/event';
import { routeMinutes } from '@/core/intake/route';
import { workDefs, type Work } from '@/core/intake/works';
import { quote } from '@/core/money/quote';
import { stageMinutes, usualMinutes, type StageId } from '@/model/stages';
import { device, done, intake, minute, Script, wobble } from './script';
import { demoSettings } from './settings';

const day = 24 * 60 * minute;

/** Jobs that were handed over, newest first: how many days ago, which device, what was special. */
const models = [
  'ring61',
  'ring54',
  'ring61',
  'full64',
  'plastic60',
  'ring54',
  'lens67',
  'ring61',
  'tablet10',
  'ring54',
];
const first = 131;
const count = 58;
const spanDays = 60;

/** Jobs that were come-backs of an older one, by their place in the list. */
const backs: Record<number, { of: number; presumed: ComeBackCause }> = {
  14: { of: 22, presumed: 'trappedCrumb' },
  37: { of: 41, presumed: 'function' },
};
/** Faults at the first test, and the cause that was found. */
const faults: Record<number, { fns: string[]; causeId: string }> = {
  3: { fns: ['chargeQ', 'nfc'], causeId: 'coilFlex' },
  11: { fns: ['flash', 'micRear'], causeId: 'rearFlex' },
  19: { fns: ['chargeQ'], causeId: 'coilCut' },
  28: { fns: ['buttons'], causeId: 'sideFlex' },
  45: { fns: ['flash', 'micRear'], causeId: 'rearFlex' },
};
const fixed = ['flash', 'micRear', 'chargeQ', 'buttons', 'nfc', 'camMain', 'speaker', 'vibra'];

/** Two months of finished jobs of the demo shop: what its statistics are made from. No random numbers. */
export function demoHistory(now: number): JobEvent[][] {
  return Array.from({ length: count }, (_, i) => {
    const d = device(models[i % models.length]!);
    const number = String(first - i).padStart(4, '0');
    const [repairer, checker] = i % 2 ? ['Osk', 'Mirel'] : ['Mirel', 'Osk'];
    const opened = now - day - Math.floor((i * spanDays) / count) * day - ((i * 37) % 240) * minute;
    const hours = 3 + ((i * 7) % 11) / 2;
    const late = i % 13 === 5;
    const closed = opened + hours * 60 * minute;
    const lensOnly = d.id === 'lens67';
    const bond = d.bonds[0]!;
    const fault = faults[i];
    const back = backs[i];
    const tested = d.functions.filter((f) => fixed.includes(f));
    const work: Work = lensOnly ? 'lensCovers' : i % 9 === 4 ? 'openClose' : 'glassOnly';
    const broke = i === 31;
    const origin = i % 3 ? ('genuine' as const) : ('aftermarket' as const);
    const script = new Script(`demo-${number}`, repairer!)
      .at(opened, {
        type: 'opened',
        label: `J-${number}`,
        device: d,
        bondId: bond.id,
        promiseAt: closed + (late ? -25 : 20 + ((i * 11) % 50)) * minute,
        customerMark: i % 3 ? `locker ${(i * 5) % 19}` : '',
      })
      .at(opened + 1000, { type: 'work', stage: 'intake', to: 'begun', plannedS: planned('intake', d, work) })
      .at(
        opened + took('intake', i, d, work),
        ...intake({
          edges: [(['bottom', 'left', 'top', 'right'] as const)[i % 4]!],
          keep: i % 9 === 4,
          ...(lensOnly ? { work: 'lensCovers' as const, bondId: 'lens1Tape' } : {}),
          origin,
        }),
        ...(back
          ? [
              {
                type: 'comeBack' as const,
                firstJobId: `demo-${String(first - back.of).padStart(4, '0')}`,
                firstLabel: `J-${String(first - back.of).padStart(4, '0')}`,
                presumed: back.presumed,
              },
            ]
          : []),
        quoted(i, d, work, work === 'openClose' ? null : origin, opened),
        ...done('intake'),
      );
    // one stage after the other, with a pause between them
    let at = opened + took('intake', i, d, work) + (3 + (i % 5)) * minute;
    const worked = (stage: StageId, ...more: NewEvent[]) => {
      script.at(at, { type: 'work', stage, to: 'begun', plannedS: planned(stage, d, work) });
      at += took(stage, i, d, work);
      script.at(at, ...more, ...done(stage));
      at += (1 + ((i * 3) % 4)) * minute;
    };
    worked('heat');
    worked('lift', ...(broke ? [{ type: 'observed', what: 'broke' } as const] : []));
    worked('clean');
    if (!lensOnly) worked('dryFit');
    script
      .at(at, { type: 'work', stage: 'bond', to: 'begun', plannedS: planned('bond', d, work) })
      .at(
        (at += took('bond', i, d, work)),
        {
          type: 'bonded',
          adhesive: i % 4 ? 'cutTape' : 'precutRing',
          usedMm: i % 4 ? 340 + (i % 5) * 8 : 0,
          widthMm: 1.8,
          // the stock was counted since
          used: [],
        },
        ...done('bond'),
      )
      .at(at + minute, { type: 'clampOn', clip: 'gentle clip', count: 14, forceN: 6 })
      .at(at + 40 * minute, { type: 'clampOff', early: false }, ...done('cure'));
    const checkFrom = closed - 12 * minute - took('check', i, d, work);
    script.at(checkFrom, { type: 'work', stage: 'check', to: 'begun', plannedS: planned('check', d, work) });
    if (!lensOnly)
      script.at(
        checkFrom + 2 * minute,
        ...gaugePoints(d, bond).map((p, k): NewEvent => ({
          type: 'reading',
          quantity: 'stepMm',
          point: p.id,
          value: Math.round((-0.02 + wobble(k + i, 0.012)) * 1000) / 1000,
          u: 0.01,
        })),
      );
    const result = (fn: string, bad: boolean): NewEvent => ({
      type: 'function',
      fn,
      phase: 'after',
      result: bad ? 'fail' : 'ok',
    });
    script.at(checkFrom + 4 * minute, ...tested.map((fn) => result(fn, fault?.fns.includes(fn) ?? false)));
    if (fault)
      script.at(
        checkFrom + 6 * minute,
        { type: 'cause', causeId: fault.causeId, found: true },
        ...fault.fns.filter((fn) => tested.includes(fn)).map((fn) => result(fn, false)),
      );
    return script
      .at(
        checkFrom + took('check', i, d, work),
        { type: 'signed', role: 'checker', text: 'functions', mark: checker! },
        ...done('check'),
      )
      .at(closed - took('handover', i, d, work), {
        type: 'work',
        stage: 'handover',
        to: 'begun',
        plannedS: planned('handover', d, work),
      })
      .at(closed, { type: 'signed', role: 'repairer', text: 'sheet read out', mark: repairer! }, ...done('handover'))
      .events;
  });
}

type Model = ReturnType<typeof device>;

/** What the shop's plan counted on, s. */
function planned(stage: StageId, d: Model, work: Work): number {
  const construction = d.faces.find(
    (f) => f.id === (work === 'lensCovers' ? d.bonds.find((b) => b.id === 'lens1Tape')?.onFace : d.bonds[0]!.onFace),
  )!.construction;
  const factor = routeMinutes(work, { construction, pieces: 1 }) / usualMinutes;
  return Math.round(stageMinutes[stage]!.p50.value * 60 * Math.max(0.3, factor));
}

/** What it took, ms: by person, by experience with glass that is glued all over, and by chance that is none. */
function took(stage: StageId, i: number, d: Model, work: Work): number {
  const osk = i % 2 === 1;
  // the newest is job 0: so many were done before this one
  const before = Math.floor((count - i) / models.length) + 1;
  const learning = d.id === 'full64' && stage === 'lift' ? 1.5 * before ** -0.25 : 1;
  const person =
    { lift: osk ? 1.12 : 0.95, clean: osk ? 1.3 : 1.15, bond: osk ? 0.9 : 1.05 }[stage as 'lift'] ??
    (osk ? 1.05 : 0.97);
  const scatter = Math.exp(wobble(i * 7 + stage.length * 3, 0.28));
  return Math.round(planned(stage, d, work) * person * learning * scatter) * 1000;
}

/** The quote that the customer agreed to. */
function quoted(i: number, d: Model, work: Work, origin: 'genuine' | 'aftermarket' | null, at: number): NewEvent {
  const m = demoSettings.money;
  const item = workDefs[work].item;
  const part = item && origin ? (m.prices[d.kind]?.[`${item}.${origin}`] ?? 0) : 0;
  const minutes = Math.round(
    (['intake', 'heat', 'lift', 'clean', 'dryFit', 'bond', 'check', 'handover'] as const).reduce(
      (sum, stage) => sum + planned(stage, d, work) / 60,
      0,
    ),
  );
  const q = quote({
    parts: part ? [{ name: 'part', unit: part, qty: 1 }] : [],
    consumables: [{ name: 'tape, m', unit: m.tapePerMMinor, qty: 0.4, waste: m.wasteShare }],
    minutes,
    ratePerHour: demoSettings.ratePerH * 100,
    reserves: [{ name: 'warranty', p: 0.05, cost: 4000 }],
    overhead: m.overheadMinor,
    margin: m.marginShare,
    tax: m.taxShare,
    step: m.stepMinor,
    off: m.offMinor,
  });
  return {
    type: 'quoted',
    currency: m.currency,
    choices: [
      {
        id: work,
        name: work,
        grossMinor: q.gross,
        taxMinor: q.tax,
        netMinor: q.net,
        costMinor: Math.round(q.cost),
        minutes,
        readyAt: at + (4 + (i % 3)) * 60 * minute,
      },
    ],
    chosenId: work,
    risk: { mean: 0.04, low: 0.01, high: 0.1 },
    upToMinor: null,
    validUntil: at + 14 * day,
  };
}
