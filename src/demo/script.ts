import type { Work } from '@/core/intake/works';
import type { JobEvent, NewEvent } from '@/model/event';
import { shippedDevices } from '@/model/shippedDevices';
import type { StageId } from '@/model/stages';

export const minute = 60_000;

/** Next quarter of an hour at least `min` minutes ahead. */
export const departure = (now: number, min: number) => Math.ceil((now + min * minute) / (15 * minute)) * 15 * minute;

export class Script {
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

export const device = (id: string) => shippedDevices.find((d) => d.id === id)!;

export const done = (...stages: StageId[]): NewEvent[] => stages.map((stage) => ({ type: 'stage', stage, to: 'done' }));

export const intake = (over: {
  chip?: 'no' | 'unsure' | 'yes';
  bent?: 'no' | 'yes';
  keep?: boolean;
  edges?: ('bottom' | 'left' | 'top' | 'right')[];
  bondId?: string;
  work?: Work;
  origin?: 'genuine' | 'pulled' | 'aftermarket';
  through?: string;
  closedBy?: 'tape' | 'bead' | 'nothing';
}): NewEvent[] => [
  { type: 'finding', kind: 'cellSwollen', answer: 'no' },
  { type: 'finding', kind: 'chip', answer: over.chip ?? 'no' },
  { type: 'finding', kind: 'bent', answer: over.bent ?? 'no' },
  { type: 'finding', kind: 'crack', answer: over.edges?.length ? 'yes' : 'no', edges: over.edges ?? [] },
  { type: 'charge', percent: 31 },
  {
    type: 'jobRoute',
    bondId: over.bondId ?? 'backRing',
    work: over.work ?? (over.keep ? 'openClose' : 'glassOnly'),
    cover: over.keep ? 'save' : 'new',
    origin: over.keep ? null : (over.origin ?? 'genuine'),
    through: over.through ?? 'back',
    internalsOut: over.work === 'wholeHousing',
    partHas: [],
    closedBy: over.closedBy ?? 'tape',
  },
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
export const wobble = (i: number, size: number) => size * Math.sin(12.9898 * (i + 1)) * Math.cos(4.1 * i);
