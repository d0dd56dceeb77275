import { cleanZones } from '@/core/clean/zones';
import { gaugePoints } from '@/core/fit/gaugePoints';
import { keepOuts } from '@/core/lift/depth';
import type { JobEvent, NewEvent } from '@/model/event';
import { departure, device, done, intake, minute, Script, wobble } from './script';
import { demoIntakes } from './intakes';

export { demoSettings, demoSettingsAt } from './settings';

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

  // laid on the plate a moment ago: worth trying in a minute, easy in two and a half
  const heating = new Script('demo-0142', 'Mirel')
    .at(now - 14 * minute, opened(ring61, 'J-0142', 'locker 4', departure(now, 150)))
    .at(now - 12 * minute, ...intake({ edges: ['bottom', 'right'] }), ...done('intake'))
    .at(now - 1 * minute, { type: 'prep', item: 'toolsReady', done: true })
    .at(
      now,
      { type: 'heatPlan', setC: 110, pickMm: 0.5, preheated: true },
      { type: 'stage', stage: 'heat', to: 'started' },
      {
        type: 'heatOn',
        setC: 110,
        preheated: true,
        startC: 22,
        modelRun: 'demo',
        readyInS: 142,
        tryInS: 56,
        latestInS: 165,
      },
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
    .at(now - 9 * minute, { type: 'bonded', adhesive: 'cutTape', usedMm: 361.5, widthMm: 1.8 })
    .at(now - 8 * minute, { type: 'clampOn', clip: 'gentle clip', count: 15, forceN: 6 });

  // tablet, glass laid in dry: gaps to be measured
  const dryFit = new Script('demo-0141', 'Mirel')
    .at(now - 200 * minute, opened(tablet, 'J-0141', 'crew mess', departure(now, 420)))
    .at(now - 190 * minute, ...intake({ edges: ['left'], bent: 'no' }), ...done('intake', 'heat', 'lift'))
    .at(
      now - 40 * minute,
      ...cleanZones(
        tablet,
        tablet.bonds[0]!,
        keepOuts(tablet, tablet.bonds[0]!, new Set(tablet.parts.map((p) => p.id))),
      ).map((z): NewEvent => ({ type: 'cleanZone', on: 'frame', index: z.index, state: 'inspected' })),
      { type: 'prep', item: 'glanced', done: true },
      { type: 'prep', item: 'crumbsGone', done: true },
      { type: 'prep', item: 'lensesBlown', done: true },
      ...done('clean'),
    );

  // handed over this morning, for the list
  const finished = new Script('demo-0137', 'Osk').at(
    now - 300 * minute,
    opened(ring61, 'J-0137', 'locker 9', departure(now, -150)),
  );
  finished
    .at(now - 295 * minute, ...intake({ edges: ['bottom'] }), ...done('intake', 'heat', 'lift', 'clean'))
    .at(
      now - 265 * minute,
      ...gaugePoints(ring61, ring61.bonds[0]!).map((p, i): NewEvent => ({
        type: 'reading',
        quantity: 'gapMm',
        point: p.id,
        value: Math.round((0.15 + wobble(i, 0.02)) * 100) / 100,
        u: 0.02,
      })),
      ...done('dryFit'),
    )
    .at(now - 260 * minute, { type: 'bonded', adhesive: 'precutRing', usedMm: 0, widthMm: 2 }, ...done('bond'))
    .at(now - 259 * minute, { type: 'clampOn', clip: 'gentle clip', count: 15, forceN: 6 })
    .at(now - 220 * minute, { type: 'clampOff', early: false }, ...done('cure'))
    .at(
      now - 215 * minute,
      ...gaugePoints(ring61, ring61.bonds[0]!).map((p, i): NewEvent => ({
        type: 'reading',
        quantity: 'stepMm',
        point: p.id,
        value: Math.round((-0.02 + wobble(i, 0.012)) * 1000) / 1000,
        u: 0.01,
      })),
      ...ring61.functions.map((fn): NewEvent => ({ type: 'function', fn, phase: 'after', result: 'ok' })),
      { type: 'signed', role: 'checker', text: 'functions', mark: 'Mirel' },
      ...done('check'),
    )
    .at(
      now - 205 * minute,
      { type: 'signed', role: 'repairer', text: 'sheet read out', mark: 'Osk' },
      ...done('handover'),
    );

  const others = demoIntakes(now, opened);
  return [heating, save, clamped, dryFit, finished, ...others].map((s) => s.events);
}
