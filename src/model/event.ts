import { z } from 'zod';

import { schoolIds } from '../core/bond/schools';
import { zoneStates } from '../core/clean/zones';
import { origins, partExtras, works } from '../core/intake/route';
import './zodConfig';
import { benchKinds } from './eventBench';
import { checkKinds } from './eventCheck';
import { edge, id, instant, mm, place, text } from './eventParts';
import { deviceSchema } from './device';
import { keepUnknown } from './keepUnknown';
import { stageIds } from './stageIds';

/** Version of the event format that this app writes. */
export const eventVersion = 1;

const pathLength = (pts: readonly (readonly [number, number])[]) =>
  pts.reduce((m, p, i) => (i ? m + Math.hypot(p[0] - pts[i - 1]![0], p[1] - pts[i - 1]![1]) : 0), 0);
const money = z.number().int().min(0).max(1e9);

const stretch = { fromMm: mm(-5000, 5000), toMm: mm(-5000, 10000) };

const computedCut = {
  /** low bound of the line there, °C */
  tC: z.number().min(-40).max(400).optional(),
  /** expected number of breaks of a cover that is to be saved, as computed at that moment */
  hazard: mm(0, 100).optional(),
};

const setC = z.number().min(20).max(400);
const share = z.number().min(-1).max(2);
/** way of the nozzle over the face */
const airPath = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('loop'),
    insetMm: mm(-40, 60),
    roundS: z.number().min(1).max(60),
    shares: z.array(z.number().min(0.001).max(1e3)).length(24).optional(),
  }),
  z.object({
    kind: z.literal('strip'),
    insetMm: mm(-40, 60),
    from: share,
    to: share,
    speedMmS: z.number().min(1).max(500),
  }),
  z.object({ kind: z.literal('spot'), at: place, radiusMm: mm(0, 40) }),
]);
/** how a heater is used on the device */
const use = z.object({
  path: airPath.optional(),
  standoffMm: mm(5, 300).optional(),
  /** cameras and hinge under tape and foil */
  masked: z.boolean().optional(),
  /** how the face lies on a plate: flat, on its camera bump, or with the bump over the edge */
  lies: z.enum(['flat', 'bump', 'over']).optional(),
});
export type UseRecord = z.infer<typeof use>;

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

const kinds = {
  ...benchKinds,
  ...checkKinds,
  opened: {
    label: z.string().min(1).max(40),
    device: deviceSchema,
    bondId: id,
    promiseAt: instant.nullable(),
    customerMark: z.string().max(80),
    /** the steps that it goes through; none: the ten of before. A stage of a later version is kept as it is */
    steps: z
      .array(z.object({ key: z.string().min(1).max(120), stage: z.string().min(1).max(40), joint: id.nullable() }))
      .min(1)
      .max(60)
      .optional(),
  },
  stage: { stage: z.enum(stageIds), to: z.enum(['started', 'done', 'skipped']), why: text.optional() },
  finding: {
    kind: z.enum([
      'chip',
      'crack',
      'bent',
      'cellSwollen',
      'smokeOrWet',
      'paintGone',
      'looseLayer',
      'screwMissing',
      'earlierRepair',
    ]),
    answer: z.enum(['yes', 'no', 'unsure']),
    /** stretches of the cover's edge that the finding concerns, by edge */
    edges: z.array(edge).max(4).optional(),
    note: text.optional(),
    /** the "yes" that somebody knew of who takes it back: one that was not known stands (law 24) */
    takesBack: z.array(id).max(50).optional(),
  },
  crack: {
    crackId: id,
    onFace: id,
    pts: z
      .array(place)
      .min(2)
      .max(400)
      .refine((pts) => pathLength(pts) >= 0.5, {
        error: 'a crack is at least 0.5 mm long, its points are not all equal',
      }),
  },
  crackGone: { crackId: id },
  chipMark: { chipId: id, onFace: id, place },
  chipGone: { chipId: id },
  photo: {
    photoId: id,
    widthPx: z.number().int().min(1).max(10000),
    heightPx: z.number().int().min(1).max(10000),
    bytes: z.number().int().min(1).max(2e6),
    caption: z.string().max(200),
  },
  /** taken out for good: its picture is no longer kept */
  photoGone: { photoId: id },
  customer: {
    backup: z.enum(['made', 'declined', 'asked']).nullable(),
    lock: z.enum(['noLock', 'codeGiven', 'customerUnlocks', 'testsWithout']).nullable(),
    note: text,
  },
  jobRoute: {
    bondId: id,
    work: z.enum(works),
    cover: z.enum(['save', 'new']),
    origin: z.enum(origins).nullable(),
    through: id,
    internalsOut: z.boolean(),
    partHas: z.array(z.enum(partExtras)).max(10),
    closedBy: z.enum(['tape', 'bead', 'nothing']),
  },
  partMeasured: {
    what: z.enum(['width', 'height', 'thickness', 'lensHole']),
    oldMm: mm(0.05, 500),
    newMm: mm(0.05, 500),
  },
  partState: { partId: id, to: z.enum(['in', 'out', 'moved', 'onNew', 'missing']) },
  quoted: {
    currency: z.string().min(1).max(8),
    choices: z
      .array(
        z.object({
          id,
          name: z.string().max(120),
          grossMinor: money,
          taxMinor: money,
          netMinor: money,
          costMinor: money,
          minutes: mm(0, 10000),
          readyAt: instant,
        }),
      )
      .min(1)
      .max(5),
    chosenId: id,
    /** chance of further damage that the customer was told, with its range */
    risk: z.object({ mean: mm(0, 1), low: mm(0, 1), high: mm(0, 1) }),
    /** what to do when it happens: stop and ask, or go on up to this sum */
    upToMinor: money.nullable(),
    validUntil: instant,
  },
  charge: { percent: z.number().min(0).max(100) },
  route: { keepCover: z.boolean() },
  promise: { promiseAt: instant.nullable() },
  prep: {
    item: z.enum([
      'powerOff',
      'trayOut',
      'toolsReady',
      'crumbsGone',
      'lensesBlown',
      'glanced',
      'strapOn',
      'closedTest',
      'batteryOffAgain',
      'tagDevice',
      'tagTray',
      'compared',
      'blownClosing',
      'photoClosing',
      'pressedRound',
      'squeezeWiped',
      'lookedAlong',
      'oldRingWhole',
      'sealWanted',
      'faultsTold',
    ]),
    done: z.boolean(),
  },
  heatPlan: {
    setC,
    pickMm: z.number().min(0.05).max(3),
    preheated: z.boolean(),
    heater: id.optional(),
    use: use.optional(),
  },
  heatOn: {
    setC,
    preheated: z.boolean(),
    /** the shop's plate when it is not said */
    heater: id.optional(),
    use: use.optional(),
    startC: z.number().min(-40).max(200),
    modelRun: z.string().max(80),
    /** forecast when it was laid on: easy after, usually; worth a try after; easy at the latest, s */
    readyInS: z.number().min(0).max(86400).nullable(),
    tryInS: z.number().min(0).max(86400).nullable().optional(),
    latestInS: z.number().min(0).max(86400).nullable().optional(),
  },
  heatOff: {
    reason: z.enum(['ready', 'hold', 'emergency']),
    /** forecast when it came off: the next arc stays easy for and grips after at least, s */
    easyForS: z.number().min(0).max(86400).nullable(),
    gripsInS: z.number().min(0).max(86400).nullable(),
  },
  observed: {
    what: z.enum([
      'gaveWay',
      'grips',
      'calledAway',
      'back',
      'broke',
      'switchedOff',
      'missedAlarm',
      'cellTouched',
      'cellSmells',
      'cellSwells',
    ]),
    edge: edge.optional(),
    /** lift at which it gave way or did not, mm */
    liftMm: mm(0.01, 5).optional(),
    modelC: z.number().optional(),
  },
  /** a thermocouple at the line, read while the heat is on or after it */
  probe: { tempC: z.number().min(-100).max(500), sMm: mm(-100, 5000), from: z.enum(['typed', 'instrument']) },
  edge: { edge, free: z.boolean(), ...computedCut },
  /** a stretch of the bond was cut, or holds again; with what was computed for it at that moment */
  cut: {
    ...stretch,
    free: z.boolean(),
    /** it was let down while warm and sticks again */
    stuck: z.boolean().optional(),
    ...computedCut,
  },
  liftMode: { mode: z.enum(['edges', 'pieces']) },
  /** a piece of cracked glass is off; its outline is kept, for pieces get other numbers when one breaks again */
  pieceOff: {
    offId: id,
    onFace: id,
    loops: z.array(z.array(place).min(3).max(2000)).min(1).max(40),
    areaMm2: mm(0, 1e6),
  },
  pieceBack: { offId: id },
  glassLeft: { markId: id, onFace: id, place },
  glassGone: { markId: id },
  cameraRing: { how: z.enum(['leftIn', 'pushedOut']) },
  clip: { index: z.number().int().min(0).max(100), state: z.enum(['holds', 'open', 'broken']) },
  writeOff: { why: z.enum(['broke', 'printLayer', 'cost', 'other']), note: text },
  alcohol: {
    ml: mm(0.001, 100),
    use: z.enum(['gap', 'wipe']),
    stretch: z.object(stretch).optional(),
    /** what was said to be so when it was given */
    checks: z.object({ sourcesAway: z.boolean(), ventilated: z.boolean(), masked: z.boolean() }),
    tC: z.number().min(-40).max(200),
  },
  /** looked at and dry: heat may come near again before the computed time is up */
  alcoholDry: { note: text.optional() },
  cleanZone: {
    on: z.enum(['frame', 'cover']),
    index: z.number().int().min(0).max(200),
    state: z.enum(zoneStates),
    tC: z.number().min(-40).max(200).optional(),
  },
  /** a lens cover of the set: chosen for this job, off, tapped out, inspected, cleaned, the new one set and pressed */
  lens: {
    bondId: id,
    step: z.enum(['chosen', 'off', 'tapped', 'inspected', 'cleaned', 'set', 'pressed']),
    done: z.boolean(),
    newMm: mm(1, 60).optional(),
  },
  cleaned: { index: z.number().int().min(0).max(100), done: z.boolean() },
  /** a screw: out into a cell, missing when it was opened, back in, or taken out again on the way back */
  screw: {
    hole: id,
    to: z.enum(['out', 'missing', 'in', 'open', 'untouched']),
    spec: z
      .object({
        head: z.enum(['cross', 'fiveLobe', 'threeWing', 'hex', 'slot']),
        diaMm: mm(0.4, 6),
        lengthMm: mm(0.5, 30),
        colour: z.enum(['silver', 'black', 'gold']).optional(),
      })
      .optional(),
    cell: z.string().max(4).optional(),
  },
  /** a zone whose screws have all been started, one turn each, and then tightened */
  tightened: { zone: id, done: z.boolean() },
  /** plugs, brackets and small pieces; parts have partState */
  stripped: {
    itemId: id,
    to: z.enum(['out', 'in', 'moved', 'renewed', 'peeled', 'asItWas']),
    /** how it lay: which line crosses over which */
    note: z.string().max(200).optional(),
  },
  /** found at the bench: this comes off only after that, or does not after all */
  under: { itemId: id, over: id, on: z.boolean() },
  stripTarget: { ids: z.array(id).max(60) },
  cellChoice: { fit: z.enum(['new', 'same']), flat: z.boolean(), bent: z.boolean(), punctured: z.boolean() },
  reading: {
    quantity: z.enum(['gapMm', 'stepMm', 'seatMm']),
    point: id,
    value: z.number().min(-5).max(5),
    u: z.number().min(0).max(1),
  },
  /** judged by eye and finger: fine all round, or off at these points; of a gap, high is wide and low is tight */
  eye: {
    of: z.enum(['gap', 'step', 'seat']),
    fine: z.boolean(),
    spots: z.array(z.object({ point: id, how: z.enum(['high', 'low']) })).max(40),
  },
  /** a bead is being laid, is laid, or was wiped off again */
  bead: {
    phase: z.enum(['start', 'end', 'off']),
    /** how it was to be laid, kept with its start */
    plan: z
      .object({
        school: z.enum(schoolIds),
        liquidId: z.string().min(1).max(60),
        bondMm: mm(0.3, 30),
        gapMm: mm(0.01, 5),
        feedMmS: mm(0.01, 100),
        tornMm: mm(0, 5000),
        coverage: mm(0.05, 0.95),
        pitchMm: mm(1, 40),
        pattern: z.enum(['lines', 'dots']).default('lines'),
        tubeC: z.number().min(-20).max(60),
      })
      .optional(),
  },
  bonded: {
    adhesive: z.enum(schoolIds),
    usedMm: z.number().min(0).max(5000),
    widthMm: z.number().min(0.5).max(30),
    /** tape when it is not said */
    cure: z.enum(['tape', 'solvent', 'moisture']).optional(),
    /** width that the cure goes by, and the gap that was filled, mm */
    bondMm: mm(0.3, 60).optional(),
    gapMm: mm(0.01, 5).optional(),
    /** tape or liquid by its id in the shop's stock */
    itemId: z.string().max(60).optional(),
    /** what was taken from stock: mm of tape, pieces, ml */
    used: z
      .array(
        z.object({
          kind: z.enum(['roll', 'offcut', 'ring', 'liquid']),
          id: z.string().min(1).max(120),
          amount: mm(0, 1e6),
          /** what is left of an offcut */
          leftMm: mm(0, 1e6).optional(),
        }),
      )
      .max(80)
      .optional(),
  },
  /** what was really used, where it was not what the plan said */
  consumed: { items: z.array(z.object({ id: z.string().min(1).max(120), amount: mm(0, 1e6) })).max(80) },
  /** lifted again after closing: something was trapped, or it sat wrong */
  reopened: { why: text },
  /** after the clamps came off: did it hold */
  cureHeld: { held: z.boolean(), ratio: mm(0, 1000) },
  shelved: { place: z.string().min(1).max(40), tC: z.number().min(-10).max(60).nullable() },
  clampOn: { clip: z.string().max(80), count: z.number().int().min(0).max(100), forceN: z.number().min(0).max(500) },
  /** early: before the long end of the clock */
  clampOff: { early: z.boolean() },
  ambient: { tempC: z.number().min(-20).max(60), rh: z.number().min(1).max(100).optional() },
  decision: {
    call: z.string().max(80),
    computed: z.unknown(),
    inputs: z.unknown(),
    chosen: z.unknown(),
    because: text.optional(),
  },
  note: { text },
  signed: {
    role: z.enum(['customer', 'repairer', 'checker']),
    text,
    mark: z.string().max(80),
    /** a signature as drawn: nothing but moves and lines of a path */
    drawing: z
      .string()
      .max(20000)
      .regex(/^[ML0-9 .-]*$/)
      .optional(),
  },
  undo: { eventId: id },
  /** something cannot be computed with this entry: it does not count until this is undone */
  leaveOut: { eventId: id, why: text },
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
