import { z } from 'zod';

import './zodConfig';
import { deviceSchema } from './device';
import { stageIds } from './stages';

/** Version of the event format that this app writes. */
export const eventVersion = 1;

const instant = z.number().int().min(0).max(8.64e15);
const id = z.string().min(1).max(80);
const text = z.string().max(2000);
const edge = z.enum(['bottom', 'left', 'top', 'right']);

const base = {
  v: z.literal(eventVersion),
  id,
  jobId: id,
  /** writer: one per page load; seq counts up per writer */
  writer: id,
  seq: z.number().int().min(0),
  /** when it happened, and when it was noted */
  at: instant,
  loggedAt: instant,
  by: z.string().max(80),
};

const kinds = {
  opened: {
    label: z.string().min(1).max(40),
    device: deviceSchema,
    bondId: id,
    promiseAt: instant.nullable(),
    customerMark: z.string().max(80),
  },
  stage: { stage: z.enum(stageIds), to: z.enum(['started', 'done', 'skipped']), why: text.optional() },
  finding: {
    kind: z.enum(['chip', 'crack', 'bent', 'cellSwollen']),
    answer: z.enum(['yes', 'no', 'unsure']),
    /** stretches of the cover's edge that the finding concerns, by edge */
    edges: z.array(edge).max(4).optional(),
    note: text.optional(),
  },
  charge: { percent: z.number().min(0).max(100) },
  route: { keepCover: z.boolean() },
  promise: { promiseAt: instant.nullable() },
  prep: { item: z.enum(['powerOff', 'trayOut', 'toolsReady', 'crumbsGone', 'lensesBlown']), done: z.boolean() },
  function: {
    fn: id,
    phase: z.enum(['before', 'after']),
    result: z.enum(['ok', 'fail', 'untested', 'absent']),
    why: text.optional(),
  },
  heatPlan: { setC: z.number().min(20).max(300), pickMm: z.number().min(0.05).max(3), preheated: z.boolean() },
  heatOn: {
    setC: z.number().min(20).max(300),
    preheated: z.boolean(),
    startC: z.number().min(-40).max(200),
    modelRun: z.string().max(80),
    /** forecast when it was laid on: ready after, by the late end, s */
    readyInS: z.number().min(0).max(86400).nullable(),
  },
  heatOff: {
    reason: z.enum(['ready', 'hold', 'emergency']),
    /** forecast when it came off: the next arc stays easy for and grips after at least, s */
    easyForS: z.number().min(0).max(86400).nullable(),
    gripsInS: z.number().min(0).max(86400).nullable(),
  },
  observed: {
    what: z.enum(['gaveWay', 'grips', 'calledAway', 'broke']),
    edge: edge.optional(),
    modelC: z.number().optional(),
  },
  edge: { edge, free: z.boolean() },
  cleaned: { index: z.number().int().min(0).max(100), done: z.boolean() },
  reading: {
    quantity: z.enum(['gapMm', 'stepMm']),
    point: id,
    value: z.number().min(-5).max(5),
    u: z.number().min(0).max(1),
  },
  bonded: {
    adhesive: z.enum(['cutTape', 'precutRing']),
    usedMm: z.number().min(0).max(5000),
    widthMm: z.number().min(0.5).max(30),
  },
  clampOn: { clip: z.string().max(80), count: z.number().int().min(0).max(100), forceN: z.number().min(0).max(500) },
  /** early: before the long end of the clock */
  clampOff: { early: z.boolean() },
  ambient: { tempC: z.number().min(-20).max(60) },
  decision: {
    call: z.string().max(80),
    computed: z.unknown(),
    inputs: z.unknown(),
    chosen: z.unknown(),
    because: text.optional(),
  },
  note: { text },
  signed: { role: z.enum(['customer', 'repairer', 'checker']), text, mark: z.string().max(80) },
  undo: { eventId: id },
  /** the instant that an event is moved to; `at` of the amend itself is when it was noted */
  amend: { eventId: id, movedTo: instant, note: text.optional() },
} as const;

export type EventType = keyof typeof kinds;
export const eventTypes = Object.keys(kinds) as EventType[];

type Body<K extends EventType> = z.infer<z.ZodObject<(typeof kinds)[K]>>;
export type EventBase = z.infer<z.ZodObject<typeof base>>;
export type EventOf<K extends EventType> = EventBase & { type: K } & Body<K>;
export type KnownEvent = { [K in EventType]: EventOf<K> }[EventType];
/** What a caller gives for an event; the repository adds the rest. */
export type NewEvent = { [K in EventType]: { type: K } & Body<K> }[EventType];

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

/** Reads one event from data that is not trusted. The problem names the field, what was expected and what was given. */
export function parseEvent(data: unknown): Parsed<JobEvent> {
  const loose = looseBase.safeParse(data);
  if (!loose.success) return { ok: false, problem: explain(loose.error) };
  const schema = schemas.get(loose.data.type);
  if (!schema || loose.data.v > eventVersion) {
    const { id: eid, jobId, writer, seq, at, loggedAt, by } = loose.data;
    const raw = 'raw' in loose.data && loose.data.type === 'unknown' ? (loose.data.raw as object) : loose.data;
    return {
      ok: true,
      value: { v: 1, id: eid, jobId, writer, seq, at, loggedAt, by, type: 'unknown', raw: { ...raw } },
    };
  }
  const strict = schema.safeParse(data);
  return strict.success
    ? { ok: true, value: strict.data as KnownEvent }
    : { ok: false, problem: explain(strict.error) };
}

/** First problem of a Zod error in one line: field: what is wrong. */
export function explain(error: z.ZodError): string {
  const issue = error.issues[0];
  if (!issue) return 'not readable';
  const path = issue.path.length ? issue.path.join('.') : 'the whole';
  return `${path}: ${issue.message}`;
}
