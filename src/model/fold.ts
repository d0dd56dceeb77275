import { faceView } from '../core/device/faceView';
import { bondPerimeter, faceOf } from '../core/device/perimeter';
import type { Bond, Device, EdgeId, Face, Pt } from '../core/device/types';
import type { UnderEdit } from '../core/strip/graph';
import type { ScrewIn, ScrewOut } from '../core/strip/screws';
import type { ZoneState } from '../core/clean/zones';
import { Advance } from '../core/lift/advance';
import type { FunctionResult } from '../core/functions/riskOrder';
import type { EventOf, JobEvent, KnownEvent, UseRecord } from './event';
import { effectiveEvents } from './logOrder';
import { bare } from '../core/bare';
import { stageDefs, stageIds, type StageId } from './stages';
import { applyEntry } from './stages/allEntries';
import { wayOf, type Step } from './way';

export interface HeatSwitchAt {
  at: number;
  setC: number | null;
  preheated: boolean;
  /** heater by its id, and how it is used; the shop's plate when it is not said */
  heater?: string | undefined;
  use?: UseRecord | undefined;
  eventId: string;
  /** forecasts recorded with the tap, s after it */
  readyInS: number | null;
  tryInS?: number | null | undefined;
  latestInS?: number | null | undefined;
  gripsInS: number | null;
}

export interface LensState {
  steps: Partial<Record<EventOf<'lens'>['step'], number>>;
  newMm: number | null;
}

export type Answer = 'yes' | 'no' | 'unsure';

/** Everything a screen needs to know about a job, folded from its log. */
export interface JobState {
  id: string;
  label: string;
  /** the model as it was copied into the log */
  model: Device;
  /** the model as somebody sees it who looks at the face of the bond that is worked on, and that bond and face */
  device: Device;
  bond: Bond;
  face: Face;
  customerMark: string;
  openedAt: number;
  promiseAt: number | null;
  keepCover: boolean;
  /** somebody said whether the cover is saved; before that it follows from the cracks */
  coverSaid: boolean;
  findings: Partial<Record<EventOf<'finding'>['kind'], { answer: Answer; edges: EdgeId[]; note: string }>>;
  /** cracks and chips by id, those of the face that is worked on */
  cracks: Map<string, readonly Pt[]>;
  chips: Map<string, Pt>;
  /** a stop that was called, by its kind, until somebody who knew of it takes it back */
  stops: Map<EventOf<'finding'>['kind'], KnownEvent[]>;
  photos: EventOf<'photo'>[];
  customer: EventOf<'customer'> | null;
  holds: Partial<Record<'before' | 'after', EventOf<'holdTest'>>>;
  sealLogs: Partial<Record<`${'before' | 'after'}.${'hold' | 'press'}`, EventOf<'sealLog'>>>;
  /** presses on the glass, every one that was logged: at several places they tell more than one */
  pressLogs: EventOf<'sealLog'>[];
  cameraShots: EventOf<'cameraShot'>[];
  flatShots: EventOf<'flatShot'>[];
  coverSeats: Record<string, EventOf<'coverSeat'>>;
  /** causes that were looked at, the last word on each */
  causesSeen: Map<string, EventOf<'cause'>>;
  registered: Record<string, EventOf<'registered'>>;
  comeBack: EventOf<'comeBack'> | null;
  route: EventOf<'jobRoute'> | null;
  measured: Partial<Record<EventOf<'partMeasured'>['what'], { oldMm: number; newMm: number }>>;
  parts: Record<string, EventOf<'partState'>['to']>;
  quote: EventOf<'quoted'> | null;
  /** seat heights of the frame, by gauge point */
  seats: Record<string, number>;
  /** why a function could not be tested at intake */
  untested: Record<string, string>;
  chargePercent: number | null;
  prep: Set<EventOf<'prep'>['item']>;
  functions: Record<EventOf<'function'>['phase'], Record<string, FunctionResult>>;
  /** its steps, from the day on which it was opened */
  way: readonly Step[];
  stages: Record<StageId, 'todo' | 'started' | 'done' | 'skipped'>;
  stage: StageId;
  plan: Pick<EventOf<'heatPlan'>, 'setC' | 'pickMm' | 'preheated' | 'heater' | 'use'> | null;
  heat: HeatSwitchAt[];
  calledAway: boolean;
  probes: EventOf<'probe'>[];
  /** what has been cut of the ring, and the edges that are free with it */
  cut: Advance;
  freeEdges: Set<EdgeId>;
  /** expected breaks of what was cut so far while the cover was to be saved, as computed then */
  hazard: number;
  liftMode: EventOf<'liftMode'>['mode'] | null;
  piecesOff: Map<string, EventOf<'pieceOff'>>;
  glassLeft: Map<string, Pt>;
  cameraRing: EventOf<'cameraRing'>['how'] | null;
  clips: Map<number, 'open' | 'broken'>;
  writtenOff: EventOf<'writeOff'> | null;
  alcohol: EventOf<'alcohol'>[];
  /** since then nothing of it is wet any more */
  alcoholDryAt: number | null;
  /** lens covers by bond: which step was reached when */
  lenses: Map<string, LensState>;
  /** a bond has been cut: what was found before stands from here on, for ever */
  opened: boolean;
  broke: boolean;
  /** zones by number: as seen last, and when */
  zones: Record<'frame' | 'cover', Map<number, { state: ZoneState; at: number; tC: number | null }>>;
  /** screws by hole, in the order in which they came out, and what went back in */
  screwsOut: Map<string, ScrewOut>;
  screwsIn: Map<string, ScrewIn>;
  tightened: Set<string>;
  /** plugs, brackets and small pieces */
  stripped: Map<string, EventOf<'stripped'>['to']>;
  /** how a thing lay when it came out */
  layNotes: Map<string, string>;
  under: UnderEdit[];
  stripTarget: string[] | null;
  cellChoice: EventOf<'cellChoice'> | null;
  gaps: Record<string, number>;
  /** scatter of the gauge that the last reading of each kind came from, mm */
  gaugeU: Partial<Record<EventOf<'reading'>['quantity'], number>>;
  /** what was judged by eye and finger last, of each kind */
  eyes: Partial<Record<EventOf<'eye'>['of'], EventOf<'eye'>>>;
  steps: Record<string, number>;
  /** a bead that lies open: when it was begun and when all of it was laid */
  bead: { startAt: number; endAt: number | null; plan: NonNullable<EventOf<'bead'>['plan']> | null } | null;
  /** closed and not opened again */
  bonded: EventOf<'bonded'> | null;
  /** every time that it was bonded: what was taken from stock stays taken */
  bondings: EventOf<'bonded'>[];
  /** what was really used, by the event of the bonding and the item */
  consumed: Map<string, Map<string, number>>;
  cureHeld: EventOf<'cureHeld'> | null;
  shelved: EventOf<'shelved'> | null;
  /** the air as it was noted */
  airs: EventOf<'ambient'>[];
  clampOn: EventOf<'clampOn'> | null;
  clampOffAt: number | null;
  ambientC: number | null;
  decisions: EventOf<'decision'>[];
  /** who took up and laid aside what, and what is wished of the plan by task */
  works: EventOf<'work'>[];
  wishes: Map<EventOf<'planWish'>['task'], EventOf<'planWish'>>;
  /** a part that it waits for; null: nothing is on order */
  partDue: EventOf<'partDue'> | null;
  notes: EventOf<'note'>[];
  signed: EventOf<'signed'>[];
  closedAt: number | null;
  /** what counts, in the order of the log; `at` amended where somebody corrected a late tap */
  effective: KnownEvent[];
  /** last event that can be undone, for the undo button */
  lastEventId: string | null;
  log: readonly JobEvent[];
}

/** Folds a job's log into its state; null when the log has no `opened` event that counts. */
export function foldJob(events: readonly JobEvent[]): JobState | null {
  const effective = effectiveEvents(events);
  const opened = effective.find((e): e is EventOf<'opened'> => e.type === 'opened');
  if (!opened) return null;
  const route = effective.findLast((e): e is EventOf<'jobRoute'> => e.type === 'jobRoute');
  const bonds = opened.device.bonds;
  const own = bonds.find((b) => b.id === route?.bondId) ?? bonds.find((b) => b.id === opened.bondId) ?? bonds[0];
  if (!own || !opened.device.faces.some((f) => f.id === own.onFace)) return null;
  const { device, bond } = faceView(opened.device, own);
  const face = faceOf(device, bond);
  const way = wayOf(opened);
  const s: JobState = {
    id: opened.jobId,
    label: opened.label,
    model: opened.device,
    device,
    bond,
    face,
    customerMark: opened.customerMark,
    openedAt: opened.at,
    promiseAt: opened.promiseAt,
    keepCover: false,
    coverSaid: false,
    findings: {},
    cracks: new Map(),
    chips: new Map(),
    stops: new Map(),
    photos: [],
    customer: null,
    holds: {},
    sealLogs: {},
    pressLogs: [],
    cameraShots: [],
    flatShots: [],
    coverSeats: bare(),
    causesSeen: new Map(),
    registered: bare(),
    comeBack: null,
    route: null,
    measured: {},
    parts: bare(),
    quote: null,
    seats: bare(),
    untested: bare(),
    chargePercent: null,
    prep: new Set(),
    functions: { before: bare(), open: bare(), after: bare() },
    way,
    stages: Object.fromEntries(stageIds.map((id) => [id, 'todo'])) as JobState['stages'],
    stage: 'intake',
    plan: null,
    heat: [],
    probes: [],
    calledAway: false,
    cut: Advance.none(bondPerimeter(device, bond).lengthMm),
    freeEdges: new Set(),
    hazard: 0,
    liftMode: null,
    piecesOff: new Map(),
    glassLeft: new Map(),
    cameraRing: null,
    clips: new Map(),
    writtenOff: null,
    alcohol: [],
    alcoholDryAt: null,
    lenses: new Map(),
    opened: false,
    broke: false,
    zones: { frame: new Map(), cover: new Map() },
    screwsOut: new Map(),
    screwsIn: new Map(),
    tightened: new Set(),
    stripped: new Map(),
    layNotes: new Map(),
    under: [],
    stripTarget: null,
    cellChoice: null,
    gaps: bare(),
    gaugeU: {},
    eyes: {},
    steps: bare(),
    bead: null,
    bonded: null,
    bondings: [],
    consumed: new Map(),
    cureHeld: null,
    shelved: null,
    airs: [],
    clampOn: null,
    clampOffAt: null,
    ambientC: null,
    decisions: [],
    works: [],
    wishes: new Map(),
    partDue: null,
    notes: [],
    signed: [],
    closedAt: null,
    effective,
    lastEventId: null,
    log: events,
  };
  const path = bondPerimeter(device, bond);
  for (const e of effective) applyEntry(s, e, path);
  for (const edge of ['bottom', 'left', 'top', 'right'] as const)
    if (s.cut.isFree(path.edgeSpan(edge))) s.freeEdges.add(edge);
  // what came later in the log came later, also where a clock was set back in between
  s.heat = s.heat.reduce<HeatSwitchAt[]>((l, h) => [...l, { ...h, at: Math.max(h.at, l.at(-1)?.at ?? h.at) }], []);
  const onWay = new Set(way.map((x) => x.stage));
  for (const id of stageIds)
    if (s.stages[id] === 'todo' && (!onWay.has(id) || stageDefs[id].needless(s))) s.stages[id] = 'skipped';
  s.stage =
    way.find((x) => s.stages[x.stage] === 'todo' || s.stages[x.stage] === 'started')?.stage ?? way.at(-1)!.stage;
  if (s.stages.handover === 'done')
    s.closedAt = effective.findLast((e) => e.type === 'stage' && e.stage === 'handover' && e.to === 'done')?.at ?? null;
  s.lastEventId = effective.findLast((e) => e.type !== 'undo' && e.type !== 'opened')?.id ?? null;
  return s;
}

/** Is the device on the plate now, and since when. */
export function onPlate(s: JobState): HeatSwitchAt | null {
  const last = s.heat[s.heat.length - 1];
  return last && last.setC !== null ? last : null;
}

export const heatCount = (s: JobState) => s.heat.filter((h) => h.setC !== null).length;
