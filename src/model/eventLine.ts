import type { BondingMethodId } from '../core/bond/bondingMethods';
import { format } from 'date-fns/format';

import type { Construction } from '../core/device/types';
import type { Origin, Work } from '../core/intake/route';
import type { EventOf, JobEvent, KnownEvent } from './event';
import type { ComeBackCause } from './entries/check';
import { taskName } from './taskNames';
import { stageNames } from './stages';

const instant = (ms: number) => format(ms, 'd MMM yyyy HH:mm:ss');

export interface LineUnits {
  mm: (mm: number, digits: number) => string;
  c: (c: number) => string;
}
const asStored: LineUnits = { mm: (v, d) => `${v.toFixed(d)} mm`, c: (v) => `${v} °C` };

export const findingNames: Record<EventOf<'finding'>['kind'], string> = {
  chip: 'chips',
  crack: 'cracks',
  bent: 'bent frame',
  cellSwollen: 'swollen cell',
  smokeOrWet: 'smoke or wetness',
  paintGone: 'paint gone',
  looseLayer: 'loose print layer',
  screwMissing: 'screws missing',
  earlierRepair: 'earlier repair',
};

/** What a come-back is put down to. */
export const comeBackNames: Record<ComeBackCause, string> = {
  bondLifted: 'bond lifted',
  trappedCrumb: 'crumb trapped under the glass',
  bentFrame: 'frame bent',
  glassStress: 'glass cracked again without a fall',
  newFall: 'fell again',
  function: 'a function failed',
  lensDust: 'dust or haze under the lens',
  other: 'something else',
};

/** Ways of bonding, as they are called everywhere. */
export const constructionNames: Record<Construction, string> = {
  ringGlass: 'ring-bonded glass',
  ringPlastic: 'ring-bonded plastic',
  fullGlass: 'fully bonded glass',
  clipped: 'clipped cover',
  lensInRing: 'lens cover in a ring',
  frameLens: 'lens glass in a frame',
};

export const bondingMethodNames: Record<BondingMethodId, string> = {
  precutRing: 'new pre-cut ring',
  cutTape: 'tape cut in strips',
  liquidBead: 'liquid bead',
  reuseTopup: 'old ring with top-up',
  fullFill: 'full-area fill',
};

export const workNames: Record<Work, string> = {
  openClose: 'open and close again',
  glassOnly: 'glass only',
  rearAssembly: 'rear assembly',
  wholeHousing: 'whole housing',
  lensCovers: 'lens covers',
  displayWithFrame: 'display with its frame',
  displayAlone: 'display alone',
};

export const originNames: Record<Origin, string> = {
  genuine: 'new genuine',
  pulled: 'pulled',
  aftermarket: 'aftermarket',
};

/** One line for each kind of entry; what it is called at the bench. A kind without one does not compile. */
const lines: { [T in KnownEvent['type']]: (e: EventOf<T>, units: LineUnits) => string } = {
  opened: (e) => `job opened, ${e.device.name} (version ${e.device.version})`,
  stage: (e) => `${stageNames[e.stage]} ${e.to}`,
  finding: (e) =>
    `found: ${findingNames[e.kind]} ${e.answer}${e.edges?.length ? ` (${e.edges.join(', ')})` : ''}${e.note ? `: ${e.note}` : ''}`,
  crack: (e) => `crack drawn, ${e.pts.length} points`,
  crackGone: () => 'crack rubbed out',
  chipMark: (e, units) => `chip at ${units.mm(e.place[0], 0)} from the left, ${units.mm(e.place[1], 0)} from the top`,
  chipGone: () => 'chip rubbed out',
  photo: (e) => `photo, ${e.widthPx} × ${e.heightPx}${e.caption ? `: ${e.caption}` : ''}`,
  photoGone: () => 'photo removed for good',
  customer: (e) =>
    `customer: backup ${e.backup ?? 'not asked'}, lock ${e.lock ?? 'not asked'}${e.note ? `, ${e.note}` : ''}`,
  holdTest: (e) => `hold test ${e.phase}, ${e.kind} ${e.startPa} to ${e.endPa} Pa in ${e.seconds} s`,
  sealLog: (e) => `${e.test === 'hold' ? 'hold' : 'press'} log ${e.phase}, ${e.t.length} readings`,
  jobRoute: (e) =>
    `route: ${workNames[e.work]}${e.origin ? `, ${originNames[e.origin]} part` : ''}, through the ${e.through}${e.internalsOut ? ', internals out' : ''}`,
  partMeasured: (e, units) =>
    `${{ width: 'width', height: 'height', thickness: 'thickness', lensHole: 'camera hole' }[e.what]}: old ${units.mm(e.oldMm, 2)}, new ${units.mm(e.newMm, 2)}`,
  partState: (e) =>
    `${e.partId}: ${{ in: 'in', out: 'out', moved: 'moved over', onNew: 'is on the new part', missing: 'missing' }[e.to]}`,
  quoted: (e) =>
    `quoted: ${e.choices.find((c) => c.id === e.chosenId)?.name ?? e.chosenId} at ${((e.choices.find((c) => c.id === e.chosenId)?.grossMinor ?? 0) / 100).toFixed(2)} ${e.currency}`,
  charge: (e) => `charge ${e.percent} %`,
  route: (e) => (e.keepCover ? 'old cover to be saved' : 'new back glass'),
  promise: (e) => (e.promiseAt === null ? 'promise taken back' : `promised ${instant(e.promiseAt)}`),
  prep: (e) =>
    `${{ powerOff: 'power off', trayOut: 'card tray out', toolsReady: 'tools at hand', crumbsGone: 'no crumbs', glanced: 'looked over at a glancing angle', strapOn: 'wrist strap on', closedTest: 'tested before closing', batteryOffAgain: 'battery off again', lensesBlown: 'lenses blown off', tagDevice: 'tag on the device', tagTray: 'tag on the tray', compared: 'old and new compared', blownClosing: 'lenses blown off before closing', photoClosing: 'photo before closing', pressedRound: 'pressed round', squeezeWiped: 'squeeze-out wiped', lookedAlong: 'looked along the surface', oldRingWhole: 'old ring whole', sealWanted: 'seal measurement wanted', faultsTold: 'told about faults that nobody can attribute' }[e.item]}${e.done ? '' : ': no'}`,
  function: (e) => `${e.fn} ${e.phase}: ${e.result}`,
  cause: (e) => `cause ${e.causeId}: ${e.found ? 'it was that' : 'not that'}${e.note ? `, ${e.note}` : ''}`,
  registered: (e) =>
    `${e.part}: ${{ registered: 'registered', notNeeded: 'needs no registering', refused: 'registering refused by the device', notPossible: 'cannot be registered here' }[e.outcome]}${e.note ? `, ${e.note}` : ''}`,
  comeBack: (e) =>
    `come-back of ${e.firstLabel || 'a job that is not here'}: ${comeBackNames[e.presumed]}${e.note ? `, ${e.note}` : ''}`,
  cameraShot: (e) =>
    `target ${e.phase} through ${e.lens}: ${e.edges.length} edges${e.edges.length ? `, half contrast at ${(e.edges.reduce((s, x) => s + x.mtf50, 0) / e.edges.length).toFixed(3)} cycles per pixel` : ''}`,
  flatShot: (e) => `even field ${e.phase} through ${e.lens}: ${e.dark} dark and ${e.bright} bright specks`,
  coverSeat: (e, units) =>
    `cover of ${e.lens}: gaps ${e.gaps.map((v) => units.mm(v, 2)).join(', ')}, steps ${e.steps.map((v) => units.mm(v, 2)).join(', ')}`,
  heatPlan: (e, units) => `plan: ${e.heater ?? 'plate'} ${units.c(e.setC)}, pick ${units.mm(e.pickMm, 1)}`,
  heatOn: (e, units) => `heat on: ${e.heater ?? 'plate'} at ${units.c(e.setC)}${e.preheated ? '' : ', from cold'}`,
  heatOff: (e) => `heat off (${e.reason})`,
  probe: (e, units) => `probe ${units.c(e.tempC)} (${e.from})`,
  observed: (e, units) =>
    `${{ gaveWay: 'gave way', grips: 'it grips', calledAway: 'called away', back: 'back at the bench', broke: 'the cover broke', switchedOff: 'the heater switched itself off', missedAlarm: 'the alarm was missed', cellTouched: 'the cell was touched', cellSmells: 'the cell smells', cellSwells: 'the cell swells' }[e.what]}${e.edge ? ` at the ${e.edge} edge` : ''}${e.liftMm === undefined ? '' : ` at ${units.mm(e.liftMm, 2)}`}${e.modelC === undefined ? '' : `, model ${units.c(e.modelC)}`}`,
  edge: (e) => `${e.edge} edge ${e.free ? 'free' : 'not free'}`,
  cut: (e, units) =>
    `${units.mm(e.toMm - e.fromMm, 0)} of the bond ${e.free ? 'cut' : e.stuck ? 'stuck again' : 'holds again'}${e.tC === undefined ? '' : ` at ${units.c(Math.round(e.tC))}`}`,
  liftMode: (e) => (e.mode === 'pieces' ? 'lifted piece by piece' : 'lifted along the edges'),
  pieceOff: (e) => `a piece is off, ${Math.round(e.areaMm2)} mm²`,
  pieceBack: () => 'a piece is not off after all',
  glassLeft: (e, units) =>
    `glass left at ${units.mm(e.place[0], 0)} from the left, ${units.mm(e.place[1], 0)} from the top`,
  glassGone: () => 'glass that was left is out',
  cameraRing: (e) => `camera ring ${e.how === 'leftIn' ? 'left in' : 'pushed out from inside'}`,
  clip: (e) => `clip ${e.index + 1} ${e.state}`,
  writeOff: (e) =>
    `cover written off: ${{ broke: 'it broke', printLayer: 'the print layer comes off', cost: 'saving costs more than a new one', other: 'said by hand' }[e.why]}${e.note ? `, ${e.note}` : ''}`,
  alcohol: (e) => `alcohol ${e.ml} ml ${e.use === 'gap' ? 'into the gap' : 'on a wipe'}`,
  alcoholDry: () => 'alcohol has dried, looked at',
  cleanZone: (e) => `${e.on === 'cover' ? 'cover, ' : ''}zone ${e.index + 1}: ${e.state}`,
  lens: (e, units) =>
    `${e.bondId}: ${e.step}${e.done ? '' : ', not'}${e.newMm === undefined ? '' : `, new ${units.mm(e.newMm, 2)}`}`,
  cleaned: (e) => `stretch ${e.index + 1} ${e.done ? 'clean' : 'not clean'}`,
  screw: (e, units) =>
    `screw ${e.hole} ${{ out: 'out', missing: 'missing', in: 'in', open: 'out again', untouched: 'as it was' }[e.to]}${e.spec ? `, ${e.spec.head} ${e.spec.diaMm} × ${units.mm(e.spec.lengthMm, 1)}` : ''}${e.cell ? `, cell ${e.cell}` : ''}`,
  tightened: (e) => `${e.zone} screws ${e.done ? 'tight' : 'not tight'}`,
  stripped: (e) => `${e.itemId}: ${e.to === 'asItWas' ? 'as it was' : e.to}${e.note ? `, ${e.note}` : ''}`,
  under: (e) => `${e.itemId} ${e.on ? 'is under' : 'is not under'} ${e.over}`,
  stripTarget: (e) => `to come out: ${e.ids.join(', ')}`,
  cellChoice: (e) =>
    `cell: ${e.fit === 'new' ? 'a new one' : 'the same again'}${e.bent ? ', bent' : ''}${e.punctured ? ', punctured' : ''}`,
  reading: (e, units) =>
    `${{ gapMm: 'gap', stepMm: 'step', seatMm: 'seat height' }[e.quantity]} ${e.point}: ${units.mm(e.value, 3)} (u ${units.mm(e.u, 3)})`,
  eye(e) {
    const name = { gap: 'gap', step: 'step', seat: 'seat' }[e.of];
    if (e.fine) return `${name} by eye: even all round`;
    const how = e.of === 'gap' ? { high: 'wide', low: 'tight' } : { high: 'high', low: 'low' };
    return `${name} by eye: ${e.spots.map((x) => `${x.point} ${how[x.how]}`).join(', ') || 'not even'}`;
  },
  bonded: (e, units) =>
    `bonded, ${bondingMethodNames[e.adhesive]}${e.adhesive === 'cutTape' ? ` ${units.mm(e.usedMm, 0)}` : ''}`,
  bead: (e) => ({ start: 'laying the bead', end: 'bead is laid', off: 'bead wiped off' })[e.phase],
  consumed: (e) => `really used: ${e.items.map((i) => `${i.id} ${i.amount}`).join(', ')}`,
  reopened: (e) => `opened again: ${e.why}`,
  cureHeld: (e) => (e.held ? 'held after the clamps' : 'slipped after the clamps'),
  shelved: (e, units) => `on shelf ${e.place}${e.tC === null ? '' : ` at ${units.c(e.tC)}`}`,
  clampOn: (e) => `clamps on, ${e.count} × ${e.forceN} N`,
  clampOff: (e) => `clamps off${e.early ? ', early' : ''}`,
  ambient: (e, units) => `room ${units.c(e.tempC)}${e.rh === undefined ? '' : `, ${e.rh} % humidity`}`,
  decision: (e) =>
    `${e.because ? 'override' : 'call'} ${e.call}: ${typeof e.chosen === 'string' ? e.chosen : JSON.stringify(e.chosen)}${e.because ? `, because ${e.because}` : ''}`,
  work: (e) => `${stageNames[e.stage]} ${e.to === 'begun' ? 'taken up' : 'laid aside'}`,
  planWish: (e) =>
    `plan, ${taskName(e.task)}: ${{ notBefore: `not before ${e.wishAt === null ? '' : instant(e.wishAt)}`, pinned: `at ${e.wishAt === null ? '' : instant(e.wishAt)}`, who: '', free: 'free again' }[e.kind]}${e.person ? ` by ${e.person}` : ''}${e.heater ? ` on ${e.heater}` : ''}${e.because ? `, because ${e.because}` : ''}`,
  partDue: (e) =>
    e.here
      ? `part is here${e.part ? `: ${e.part}` : ''}`
      : `part on order${e.part ? `: ${e.part}` : ''}${e.dueAt === null ? '' : `, due ${instant(e.dueAt)}`}`,
  note: (e) => `note: ${e.text}`,
  signed: (e) => `signed by ${e.mark} (${e.role})`,
  undo: () => 'undone',
  leaveOut: (e) => `entry left out: ${e.why}`,
  amend: (e) => `instant corrected to ${instant(e.movedTo)}`,
};

/** One line for an entry. @param units how temperatures and lengths are said; as they are stored when it is left out */
export const eventLine = (e: JobEvent, units: LineUnits = asStored): string =>
  e.type === 'unknown'
    ? 'an entry of a later version, kept as it is'
    : (lines[e.type] as (e: KnownEvent, units: LineUnits) => string)(e, units);
