import { gaugePoints } from '@/core/fit/gaugePoints';
import type { ComeBackCause } from '@/model/eventCheck';
import type { JobEvent, NewEvent } from '@/model/event';
import { device, done, intake, minute, Script, wobble } from './shop';

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
    const script = new Script(`demo-${number}`, repairer!)
      .at(opened, {
        type: 'opened',
        label: `J-${number}`,
        device: d,
        bondId: bond.id,
        promiseAt: closed + (late ? -25 : 20 + ((i * 11) % 50)) * minute,
        customerMark: i % 3 ? `locker ${(i * 5) % 19}` : '',
      })
      .at(
        opened + 5 * minute,
        ...intake({
          edges: [(['bottom', 'left', 'top', 'right'] as const)[i % 4]!],
          keep: i % 9 === 4,
          ...(lensOnly ? { work: 'lensCovers' as const, bondId: 'lens1Tape' } : {}),
          origin: i % 3 ? 'genuine' : 'aftermarket',
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
        ...done('intake'),
      )
      .at(opened + 40 * minute, ...done('heat', 'lift', 'clean', 'dryFit'))
      .at(
        opened + 70 * minute,
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
      .at(opened + 71 * minute, { type: 'clampOn', clip: 'gentle clip', count: 14, forceN: 6 })
      .at(opened + 110 * minute, { type: 'clampOff', early: false }, ...done('cure'));
    if (!lensOnly)
      script.at(
        closed - 20 * minute,
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
    script.at(closed - 14 * minute, ...tested.map((fn) => result(fn, fault?.fns.includes(fn) ?? false)));
    if (fault)
      script.at(
        closed - 9 * minute,
        { type: 'cause', causeId: fault.causeId, found: true },
        ...fault.fns.filter((fn) => tested.includes(fn)).map((fn) => result(fn, false)),
      );
    return script
      .at(closed - 5 * minute, { type: 'signed', role: 'checker', text: 'functions', mark: checker! }, ...done('check'))
      .at(closed, { type: 'signed', role: 'repairer', text: 'sheet read out', mark: repairer! }, ...done('handover'))
      .events;
  });
}
