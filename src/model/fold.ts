import { faceView } from '../core/device/faceView';
import { bondPerimeter, faceOf, type Perimeter } from '../core/device/perimeter';
import type { Bond, Device, EdgeId, Face, Pt } from '../core/device/types';
import type { UnderEdit } from '../core/strip/graph';
import type { ScrewIn, ScrewOut } from '../core/strip/screws';
import type { ZoneState } from '../core/clean/zones';
import { Advance } from '../core/lift/advance';
import type { FunctionResult } from '../core/functions/riskOrder';
import type { EventOf, JobEvent, KnownEvent, UseRecord } from './event';
import { applyBench } from './foldBench';
import { effectiveEvents } from './logOrder';
import { callStop, stopKinds } from './stops';
import { applyBond } from './foldBond';
import { applyCheck } from './foldCheck';
import { bare } from '../core/bare';
import { stageIds, type StageId } from './stages';

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

/** Saved or written off: route and part follow at once, also those of a route that was taken. */
function settleCover(s: JobState, keep: boolean): void {
  s.keepCover = keep;
  if (!s.route) return;
  const { work, origin } = s.route;
  s.route = keep
    ? { ...s.route, cover: 'save', origin: null, work: work === 'glassOnly' ? 'openClose' : work }
    : { ...s.route, cover: 'new', origin: origin ?? 'genuine', work: work === 'openClose' ? 'glassOnly' : work };
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
  for (const e of effective) apply(s, e, path);
  for (const edge of ['bottom', 'left', 'top', 'right'] as const)
    if (s.cut.isFree(path.edgeSpan(edge))) s.freeEdges.add(edge);
  // what came later in the log came later, also where a clock was set back in between
  s.heat = s.heat.reduce<HeatSwitchAt[]>((l, h) => [...l, { ...h, at: Math.max(h.at, l.at(-1)?.at ?? h.at) }], []);
  for (const id of notNeeded(s)) if (s.stages[id] === 'todo') s.stages[id] = 'skipped';
  s.stage = stageIds.find((id) => s.stages[id] === 'todo' || s.stages[id] === 'started') ?? 'handover';
  if (s.stages.handover === 'done')
    s.closedAt = effective.findLast((e) => e.type === 'stage' && e.stage === 'handover' && e.to === 'done')?.at ?? null;
  s.lastEventId = effective.findLast((e) => e.type !== 'undo' && e.type !== 'opened')?.id ?? null;
  return s;
}

/** Stages that this route does without. */
function notNeeded(s: JobState): StageId[] {
  const out: StageId[] = [];
  // glass on its own: nothing inside is taken out
  if (!s.route?.internalsOut) out.push('strip');
  // clips hold without glue
  if (s.bond.zone === 'clips') out.push('heat', 'bond', 'cure');
  if (s.route?.closedBy === 'nothing') out.push('bond', 'cure');
  // lens covers are compared by size where they come off, and warmed there one by one
  if (s.face.construction === 'lensInRing' || s.face.construction === 'frameLens') out.push('dryFit');
  return out;
}

function apply(s: JobState, e: KnownEvent, path: Perimeter): void {
  const put = <T>(set: Set<T>, value: T, on: boolean) => void (on ? set.add(value) : set.delete(value));
  switch (e.type) {
    case 'stage':
      s.stages[e.stage] = e.to;
      if (e.stage === 'lift' && e.to === 'done') s.opened = true;
      break;
    case 'finding':
      if (e.kind === 'crack') {
        // a cracked cover is written off unless somebody says otherwise, also after a route was taken (law 22)
        const newly = e.answer === 'yes' && s.findings.crack?.answer !== 'yes';
        if (!s.coverSaid) settleCover(s, e.answer === 'no');
        else if (newly && s.findings.crack) settleCover(s, false);
      }
      s.findings[e.kind] = { answer: e.answer, edges: e.edges ?? [], note: e.note ?? '' };
      if (stopKinds.has(e.kind)) callStop(s, e.kind, e);
      break;
    case 'crack':
      if (e.onFace !== s.face.id) break;
      if (!s.coverSaid && !s.cracks.size) settleCover(s, false);
      s.cracks.set(e.crackId, e.pts);
      break;
    case 'crackGone':
      s.cracks.delete(e.crackId);
      break;
    case 'chipMark':
      if (e.onFace === s.face.id) s.chips.set(e.chipId, e.place);
      break;
    case 'chipGone':
      s.chips.delete(e.chipId);
      break;
    case 'photo':
      s.photos.push(e);
      break;
    case 'photoGone':
      s.photos = s.photos.filter((p) => p.photoId !== e.photoId);
      break;
    case 'customer':
      s.customer = e;
      break;
    case 'jobRoute':
      s.route = e;
      s.keepCover = e.cover === 'save';
      s.coverSaid = true;
      break;
    case 'partMeasured':
      s.measured[e.what] = { oldMm: e.oldMm, newMm: e.newMm };
      break;
    case 'partState':
      s.parts[e.partId] = e.to;
      break;
    case 'quoted':
      s.quote = e;
      break;
    case 'charge':
      s.chargePercent = e.percent;
      break;
    case 'route':
      settleCover(s, e.keepCover);
      s.coverSaid = true;
      break;
    case 'promise':
      s.promiseAt = e.promiseAt;
      break;
    case 'prep':
      put(s.prep, e.item, e.done);
      break;
    case 'heatPlan':
      s.plan = { setC: e.setC, pickMm: e.pickMm, preheated: e.preheated, heater: e.heater, use: e.use };
      break;
    case 'heatOn':
      s.heat.push({
        at: e.at,
        setC: e.setC,
        preheated: e.preheated,
        heater: e.heater,
        use: e.use,
        eventId: e.id,
        readyInS: e.readyInS,
        tryInS: e.tryInS,
        latestInS: e.latestInS,
        gripsInS: null,
      });
      s.calledAway = false;
      break;
    case 'heatOff':
      s.heat.push({ at: e.at, setC: null, preheated: false, eventId: e.id, readyInS: null, gripsInS: e.gripsInS });
      break;
    case 'observed':
      if (e.what === 'calledAway') s.calledAway = true;
      if (e.what === 'back') s.calledAway = false;
      if (e.what === 'broke') {
        s.broke = true;
        s.keepCover = false;
      }
      // a cell that smells or swells counts as swollen from here on: nothing heats it any more
      if (e.what === 'cellSwells' || e.what === 'cellSmells') callStop(s, 'cellSwollen', e);
      break;
    case 'probe':
      s.probes.push(e);
      break;
    case 'edge': {
      const span = path.edgeSpan(e.edge);
      s.cut = e.free ? s.cut.cut(span) : s.cut.grip(span);
      if (e.free) {
        s.opened = true;
        if (s.keepCover) s.hazard += e.hazard ?? 0;
      }
      s.calledAway = false;
      break;
    }
    case 'cut':
      if (e.toMm < e.fromMm) break;
      s.cut = e.free ? s.cut.cut(e) : s.cut.grip(e);
      if (e.free) {
        s.opened = true;
        if (s.keepCover) s.hazard += e.hazard ?? 0;
      }
      s.calledAway = false;
      break;
    case 'liftMode':
      s.liftMode = e.mode;
      break;
    case 'pieceOff':
      if (e.onFace === s.face.id) s.piecesOff.set(e.offId, e);
      s.opened = true;
      break;
    case 'pieceBack':
      s.piecesOff.delete(e.offId);
      break;
    case 'glassLeft':
      if (e.onFace === s.face.id) s.glassLeft.set(e.markId, e.place);
      break;
    case 'glassGone':
      s.glassLeft.delete(e.markId);
      break;
    case 'cameraRing':
      s.cameraRing = e.how;
      break;
    case 'clip':
      if (e.state === 'holds') s.clips.delete(e.index);
      else {
        s.clips.set(e.index, e.state);
        s.opened = true;
      }
      break;
    case 'writeOff':
      s.writtenOff = e;
      s.keepCover = false;
      if (e.why === 'broke') s.broke = true;
      break;
    case 'alcohol':
      s.alcohol.push(e);
      break;
    case 'alcoholDry':
      s.alcoholDryAt = e.at;
      break;
    case 'lens': {
      const own = s.lenses.get(e.bondId) ?? { steps: {}, newMm: null };
      if (e.done) own.steps[e.step] = e.at;
      else delete own.steps[e.step];
      if (e.newMm !== undefined) own.newMm = e.newMm;
      s.lenses.set(e.bondId, own);
      if (e.step === 'off' && e.done) s.opened = true;
      break;
    }
    case 'cleanZone':
      s.zones[e.on].set(e.index, { state: e.state, at: e.at, tC: e.tC ?? null });
      break;
    case 'cleaned':
      // as it was noted before zones had states
      if (e.done) s.zones.frame.set(e.index, { state: 'inspected', at: e.at, tC: null });
      else s.zones.frame.delete(e.index);
      break;
    case 'screw':
      applyScrew(s, e);
      break;
    case 'tightened':
      put(s.tightened, e.zone, e.done);
      break;
    case 'stripped':
      if (e.to === 'asItWas') s.stripped.delete(e.itemId);
      else s.stripped.set(e.itemId, e.to);
      if (e.note) s.layNotes.set(e.itemId, e.note);
      break;
    case 'under':
      s.under.push({ id: e.itemId, by: e.over, on: e.on });
      break;
    case 'stripTarget':
      s.stripTarget = e.ids;
      break;
    case 'cellChoice':
      s.cellChoice = e;
      break;
    case 'reading':
      ({ gapMm: s.gaps, stepMm: s.steps, seatMm: s.seats })[e.quantity][e.point] = e.value;
      break;
    case 'ambient':
      s.ambientC = e.tempC;
      s.airs.push(e);
      break;
    case 'decision':
      s.decisions.push(e);
      break;
    case 'note':
      s.notes.push(e);
      break;
    case 'signed':
      s.signed.push(e);
      break;
    default:
      applyBench(s, e);
      applyBond(s, e);
      applyCheck(s, e);
      break;
  }
}

function applyScrew(s: JobState, e: EventOf<'screw'>): void {
  const hole = s.device.screws.find((h) => h.id === e.hole) ?? s.model.screws.find((h) => h.id === e.hole);
  const spec = e.spec ?? (hole && { head: hole.head, diaMm: hole.diaMm, lengthMm: hole.lengthMm, colour: hole.colour });
  if (!spec) return;
  switch (e.to) {
    case 'out':
    case 'missing':
      s.screwsOut.delete(e.hole);
      s.screwsOut.set(e.hole, {
        ...spec,
        hole: e.hole,
        zone: hole?.zone ?? '?',
        seq: Math.max(0, ...[...s.screwsOut.values()].map((r) => r.seq)) + 1,
        cell: e.cell ?? null,
        missing: e.to === 'missing',
      });
      s.screwsIn.delete(e.hole);
      break;
    case 'untouched':
      s.screwsOut.delete(e.hole);
      break;
    case 'in':
      s.screwsIn.set(e.hole, { ...spec, hole: e.hole });
      break;
    case 'open':
      s.screwsIn.delete(e.hole);
      s.tightened.delete(hole?.zone ?? '?');
      break;
  }
}

/** Is the device on the plate now, and since when. */
export function onPlate(s: JobState): HeatSwitchAt | null {
  const last = s.heat[s.heat.length - 1];
  return last && last.setC !== null ? last : null;
}

export const heatCount = (s: JobState) => s.heat.filter((h) => h.setC !== null).length;
