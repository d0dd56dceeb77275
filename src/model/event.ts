import { z } from 'zod';

import './zodConfig';
import { benchEntries } from './entries/bench';
import { bondEntries } from './entries/bond';
import { checkEntries } from './entries/check';
import { cleanEntries } from './entries/clean';
import { cureEntries } from './entries/cure';
import { dryFitEntries } from './entries/dryFit';
import { heatEntries } from './entries/heat';
import { intakeEntries } from './entries/intake';
import { jobEntries } from './entries/job';
import { liftEntries } from './entries/lift';
import { id, instant } from './entries/parts';
import { stripEntries } from './entries/strip';
import { wayProblem } from './jobWay';
import { worksProblem } from './jobWorks';
import { keepUnknown } from './keepUnknown';
import { knownSteps } from './way';

export type { UseRecord } from './entries/heat';

/** Version of the event format that this app writes. */
export const eventVersion = 1;

const base = {
  v: z.literal(eventVersion),
  id,
  jobId: id,
  /** writer: one per page load; seq counts up per writer */
  writer: id,
  seq: z.number().int().min(0),
  /** one more than the highest that was known of the job: the order of the log; entries of older builds have none */
  nth: z.number().int().min(1).max(1e12).optional(),
  /** when it happened, and when it was noted */
  at: instant,
  loggedAt: instant,
  by: z.string().max(80),
  /** the joint that it is about, where a job has several; its own when it is not said */
  joint: id.optional(),
};

/** Every kind of entry, by the stage that it is of: adding one is adding it there, and a slice that hears it. */
const kinds = {
  ...jobEntries,
  ...intakeEntries,
  ...heatEntries,
  ...liftEntries,
  ...stripEntries,
  ...cleanEntries,
  ...dryFitEntries,
  ...bondEntries,
  ...cureEntries,
  ...checkEntries,
  ...benchEntries,
} as const;

export type EventType = keyof typeof kinds;
export const eventTypes = Object.keys(kinds) as EventType[];

type Body<K extends EventType> = z.infer<z.ZodObject<(typeof kinds)[K]>>;
export type EventBase = z.infer<z.ZodObject<typeof base>>;
export type EventOf<K extends EventType> = EventBase & { type: K } & Body<K>;
export type KnownEvent = { [K in EventType]: EventOf<K> }[EventType];
/** What a caller gives for an event; the repository adds the rest. */
export type NewEvent = { [K in EventType]: { type: K; joint?: string | undefined } & Body<K> }[EventType];

/** An event of a type that this version does not know: kept untouched, never folded. */
export interface UnknownEvent extends EventBase {
  type: 'unknown';
  raw: Record<string, unknown>;
}
export type JobEvent = KnownEvent | UnknownEvent;

const schemas = new Map<string, z.ZodType>(
  eventTypes.map((type) => [type, z.object({ ...base, type: z.literal(type), ...kinds[type] })]),
);

/** Union of all events, for the published JSON Schema. */
export const eventUnion = z.union([...schemas.values()] as [z.ZodType, z.ZodType, ...z.ZodType[]]);

const looseBase = z.looseObject({ ...base, v: z.number().int().min(1), type: z.string().max(80) });

export type Parsed<T> = { ok: true; value: T } | { ok: false; problem: string };

const read = new WeakSet<object>();
/** Did this very object come out of the reader. */
export const wasRead = (e: JobEvent): boolean => read.has(e);

const noted = (value: JobEvent): { ok: true; value: JobEvent } => {
  read.add(value);
  return { ok: true, value };
};

/** Reads one event from data that is not trusted. The problem names the field, what was expected and what was given. */
export function parseEvent(data: unknown): Parsed<JobEvent> {
  const loose = looseBase.safeParse(data);
  if (!loose.success) return { ok: false, problem: explain(loose.error) };
  const schema = schemas.get(loose.data.type);
  if (!schema || loose.data.v > eventVersion) {
    const { id: eid, jobId, writer, seq, nth, at, loggedAt, by } = loose.data;
    const raw = 'raw' in loose.data && loose.data.type === 'unknown' ? (loose.data.raw as object) : loose.data;
    return noted({
      ...{ v: 1 as const, id: eid, jobId, writer, seq, at, loggedAt, by },
      ...(nth === undefined ? {} : { nth }),
      ...{ type: 'unknown' as const, raw: { ...raw } },
    });
  }
  const strict = schema.safeParse(data);
  const opened = strict.success ? (strict.data as KnownEvent) : null;
  if (opened?.type === 'opened' && opened.works) {
    const wrong = worksProblem(opened.works, opened.device);
    if (wrong) return { ok: false, problem: `works: ${wrong}` };
  }
  if (opened?.type === 'opened' && opened.steps) {
    const wrong = wayProblem(knownSteps(opened.steps), opened.device);
    if (wrong) return { ok: false, problem: `steps: ${wrong}` };
  }
  return strict.success
    ? noted(keepUnknown(data, strict.data) as KnownEvent)
    : { ok: false, problem: explain(strict.error) };
}

/** First problem of a Zod error in one line: field: what is wrong. */
export function explain(error: z.ZodError): string {
  const issue = error.issues[0];
  if (!issue) return 'not readable';
  const path = issue.path.length ? issue.path.join('.') : 'the whole';
  return `${path}: ${issue.message}`;
}
