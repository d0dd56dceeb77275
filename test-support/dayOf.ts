import { device, done, intake, Script } from '../src/demo/script';
import type { JobEvent, NewEvent } from '../src/model/event';

const minute = 60_000;

/** A job that stands at the counter: opened, with its route; intake itself is still to be done. */
export function counterJob(
  n: number,
  at: number,
  deviceId: string,
  promiseMin: number | null,
  over: Parameters<typeof intake>[0] = {},
): Script {
  const d = device(deviceId);
  return new Script(`day-${n}`, 'Mirel').at(
    at,
    {
      type: 'opened',
      label: `J-02${String(n).padStart(2, '0')}`,
      device: d,
      bondId: d.bonds[0]!.id,
      promiseAt: promiseMin === null ? null : at + promiseMin * minute,
      customerMark: `locker ${n}`,
    },
    ...intake({ edges: ['bottom'], ...over }),
  );
}

/** What a person notes when a task is over, as the stages of the app note it. */
export function notedAfter(task: string, o: { readyInS: number; widthMm: number }): NewEvent[] {
  switch (task.replace(/\.reheat\d+$/, '.reheat')) {
    case 'intake':
      return done('intake');
    case 'load':
    case 'heat.reheat':
      return [
        { type: 'heatPlan', setC: 110, pickMm: 0.8, preheated: true },
        { type: 'heatOn', setC: 110, preheated: true, startC: 22, modelRun: 'day', readyInS: o.readyInS },
      ];
    case 'lift':
      return done('lift');
    case 'clean':
    case 'dryFit':
    case 'check':
    case 'handover':
      return done(task as 'clean');
    case 'bond':
      return [
        {
          type: 'bonded',
          adhesive: 'cutTape',
          usedMm: 372,
          widthMm: o.widthMm,
          itemId: 'tape',
          used: [{ kind: 'roll', id: 'tape/roll', amount: 372 }],
        },
        ...done('bond'),
        { type: 'clampOn', clip: 'gentle clip', count: 12, forceN: 6 },
      ];
    case 'unclamp':
      return [{ type: 'clampOff', early: false }, ...done('cure')];
    default:
      return [];
  }
}

/** What is noted the moment the device comes off the heater and the lift begins. */
export const offTheHeater = (gripsInS: number): NewEvent[] => [
  { type: 'heatOff', reason: 'ready', easyForS: gripsInS, gripsInS },
  ...done('heat'),
];

/** Completes events that are noted on a job that exists already. */
export function eventsOn(
  jobId: string,
  writer: string,
  seq: number,
  at: number,
  by: string,
  list: readonly NewEvent[],
): JobEvent[] {
  return list.map((e, i) => ({
    ...e,
    v: 1 as const,
    id: `${writer}-${seq + i}`,
    jobId,
    writer,
    seq: seq + i,
    at,
    loggedAt: at,
    by,
  }));
}
