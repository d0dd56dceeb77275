import { keepOuts } from '@/core/lift/depth';
import { gaugePoints } from '@/core/fit/gaugePoints';
import { cleanArcs } from '@/core/clean/residue';
import type { JobEvent, NewEvent } from '@/model/event';
import { shippedDevices } from '@/model/shippedDevices';
import { defaultSettings, type Settings } from '@/model/settings';
import type { StageId } from '@/model/stages';

/**
 * The demo shop: a two-person repair counter at a ferry terminal, where a promise is a departure. Everything is invented.
 * Instants are laid out round the moment of loading, so that clocks run when somebody looks.
 */
export const demoSettings: Settings = {
  ...defaultSettings,
  person: 'Mirel',
  people: ['Mirel', 'Osk'],
  ringsInStock: { ring61: 2, ring54: 1, tablet10: 0 },
};

const minute = 60_000;

/** Next quarter of an hour at least `min` minutes ahead. */
const departure = (now: number, min: number) => Math.ceil((now + min * minute) / (15 * minute)) * 15 * minute;

class Script {
  readonly events: JobEvent[] = [];
  private seq = 0;
  constructor(
    private readonly jobId: string,
    private readonly by: string,
  ) {}

  /** Notes events that happened at an instant. */
  at(at: number, ...events: NewEvent[]): this {
    for (const e of events)
      this.events.push({
        ...e,
        v: 1,
        id: `${this.jobId}-${this.seq}`,
        jobId: this.jobId,
        writer: 'demo',
        seq: this.seq++,
        at,
        loggedAt: at,
        by: this.by,
      });
    return this;
  }
}

const device = (id: string) => shippedDevices.find((d) => d.id === id)!;

const done = (...stages: StageId[]): NewEvent[] => stages.map((stage) => ({ type: 'stage', stage, to: 'done' }));

const intake = (over: {
  chip?: 'no' | 'unsure' | 'yes';
  bent?: 'no' | 'yes';
  keep?: boolean;
  edges?: ('bottom' | 'left' | 'top' | 'right')[];
}): NewEvent[] => [
  { type: 'finding', kind: 'cellSwollen', answer: 'no' },
  { type: 'finding', kind: 'chip', answer: over.chip ?? 'no' },
  { type: 'finding', kind: 'bent', answer: over.bent ?? 'no' },
  { type: 'finding', kind: 'crack', answer: over.edges?.length ? 'yes' : 'no', edges: over.edges ?? [] },
  { type: 'charge', percent: 31 },
  { type: 'route', keepCover: over.keep ?? false },
  { type: 'prep', item: 'powerOff', done: true },
  { type: 'prep', item: 'trayOut', done: true },
  ...(['flash', 'micRear', 'chargeQ', 'buttons'] as const).map((fn): NewEvent => ({
    type: 'function',
    fn,
    phase: 'before',
    result: 'ok',
  })),
];

/** Repeatable scatter for made-up gauge readings: no random numbers. */
const wobble = (i: number, size: number) => size * Math.sin(12.9898 * (i + 1)) * Math.cos(4.1 * i);

export function demoJobs(now: number): JobEvent[][] {
  const ring61 = device('ring61');
  const ring54 = device('ring54');
  const tablet = device('tablet10');
  const opened = (d: typeof ring61, label: string, customerMark: string, promiseAt: number | null): NewEvent => ({
    type: 'opened',
    label,
    device: d,
    bondId: d.bonds[0]!.id,
    promiseAt,
    customerMark,
  });

  // laid on the plate a moment ago: hands are needed in under a minute
  const heating = new Script('demo-0142', 'Mirel')
    .at(now - 14 * minute, opened(ring61, 'J-0142', 'locker 4', departure(now, 150)))
    .at(now - 12 * minute, ...intake({ edges: ['bottom', 'right'] }), ...done('intake'))
    .at(now - 1 * minute, { type: 'prep', item: 'toolsReady', done: true })
    .at(
      now,
      { type: 'heatPlan', setC: 110, pickMm: 0.8, preheated: true },
      { type: 'stage', stage: 'heat', to: 'started' },
      { type: 'heatOn', setC: 110, preheated: true, startC: 22, modelRun: 'demo', readyInS: 47 },
    );

  // a cover that is to be saved, ready for the plate
  const save = new Script('demo-0143', 'Osk')
    .at(now - 25 * minute, opened(ring54, 'J-0143', 'locker 7', departure(now, 300)))
    .at(now - 20 * minute, ...intake({ keep: true }), ...done('intake'));

  // clamped, off in a quarter of an hour
  const clamped = new Script('demo-0139', 'Osk')
    .at(now - 140 * minute, opened(ring54, 'J-0139', 'locker 2', departure(now, 60)))
    .at(
      now - 130 * minute,
      ...intake({ edges: ['top', 'left'], chip: 'unsure' }),
      ...done('intake', 'heat', 'lift', 'clean', 'dryFit', 'bond'),
    )
    .at(now - 21 * minute, { type: 'bonded', adhesive: 'cutTape', usedMm: 361.5, widthMm: 1.8 })
    .at(now - 20 * minute, { type: 'clampOn', clip: 'gentle clip', count: 15, forceN: 6 });

  // tablet, glass laid in dry: gaps to be measured
  const dryFit = new Script('demo-0141', 'Mirel')
    .at(now - 200 * minute, opened(tablet, 'J-0141', 'crew mess', departure(now, 420)))
    .at(now - 190 * minute, ...intake({ edges: ['left'], bent: 'no' }), ...done('intake', 'heat', 'lift'))
    .at(
      now - 40 * minute,
      ...cleanArcs(
        tablet,
        tablet.bonds[0]!,
        keepOuts(tablet, tablet.bonds[0]!, new Set(tablet.parts.map((p) => p.id))),
      ).map((a): NewEvent => ({ type: 'cleaned', index: a.index, done: true })),
      { type: 'prep', item: 'crumbsGone', done: true },
      { type: 'prep', item: 'lensesBlown', done: true },
      ...done('clean'),
    );

  // handed over this morning, for the list
  const finished = new Script('demo-0137', 'Osk').at(
    now - 400 * minute,
    opened(ring61, 'J-0137', 'locker 9', departure(now, -240)),
  );
  finished
    .at(now - 395 * minute, ...intake({ edges: ['bottom'] }), ...done('intake', 'heat', 'lift', 'clean'))
    .at(
      now - 350 * minute,
      ...gaugePoints(ring61, ring61.bonds[0]!).map((p, i): NewEvent => ({
        type: 'reading',
        quantity: 'gapMm',
        point: p.id,
        value: Math.round((0.15 + wobble(i, 0.02)) * 100) / 100,
        u: 0.02,
      })),
      ...done('dryFit'),
    )
    .at(now - 345 * minute, { type: 'bonded', adhesive: 'precutRing', usedMm: 0, widthMm: 2 }, ...done('bond'))
    .at(now - 344 * minute, { type: 'clampOn', clip: 'gentle clip', count: 15, forceN: 6 })
    .at(now - 305 * minute, { type: 'clampOff', early: false }, ...done('cure'))
    .at(
      now - 300 * minute,
      ...gaugePoints(ring61, ring61.bonds[0]!).map((p, i): NewEvent => ({
        type: 'reading',
        quantity: 'stepMm',
        point: p.id,
        value: Math.round((-0.02 + wobble(i, 0.012)) * 1000) / 1000,
        u: 0.01,
      })),
      ...ring61.functions.map((fn): NewEvent => ({ type: 'function', fn, phase: 'after', result: 'ok' })),
      ...done('check'),
    )
    .at(
      now - 290 * minute,
      { type: 'signed', role: 'repairer', text: 'sheet read out', mark: 'Osk' },
      ...done('handover'),
    );

  return [heating, save, clamped, dryFit, finished].map((s) => s.events);
}
