import type { SchoolId } from '../core/bond/schools';
import { format } from 'date-fns/format';

import type { Construction } from '../core/device/types';
import type { Origin, Work } from '../core/intake/route';
import type { EventOf, JobEvent } from './event';
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

export const schoolNames: Record<SchoolId, string> = {
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

/** One line for each event; what it is called at the bench. */
export function eventLine(e: JobEvent, units: LineUnits = asStored): string {
  switch (e.type) {
    case 'opened':
      return `job opened, ${e.device.name} (version ${e.device.version})`;
    case 'stage':
      return `${stageNames[e.stage]} ${e.to}`;
    case 'finding':
      return `found: ${findingNames[e.kind]} ${e.answer}${e.edges?.length ? ` (${e.edges.join(', ')})` : ''}${e.note ? `: ${e.note}` : ''}`;
    case 'crack':
      return `crack drawn, ${e.pts.length} points`;
    case 'crackGone':
      return 'crack rubbed out';
    case 'chipMark':
      return `chip at ${units.mm(e.place[0], 0)} from the left, ${units.mm(e.place[1], 0)} from the top`;
    case 'chipGone':
      return 'chip rubbed out';
    case 'photo':
      return `photo, ${e.widthPx} × ${e.heightPx}${e.caption ? `: ${e.caption}` : ''}`;
    case 'photoGone':
      return 'photo removed for good';
    case 'customer':
      return `customer: backup ${e.backup ?? 'not asked'}, lock ${e.lock ?? 'not asked'}${e.note ? `, ${e.note}` : ''}`;
    case 'holdTest':
      return `hold test ${e.phase}, ${e.kind} ${e.startPa} to ${e.endPa} Pa in ${e.seconds} s`;
    case 'sealLog':
      return `${e.test === 'hold' ? 'hold' : 'press'} log ${e.phase}, ${e.t.length} readings`;
    case 'jobRoute':
      return `route: ${workNames[e.work]}${e.origin ? `, ${originNames[e.origin]} part` : ''}, through the ${e.through}${e.internalsOut ? ', internals out' : ''}`;
    case 'partMeasured':
      return `${{ width: 'width', height: 'height', thickness: 'thickness', lensHole: 'camera hole' }[e.what]}: old ${units.mm(e.oldMm, 2)}, new ${units.mm(e.newMm, 2)}`;
    case 'partState':
      return `${e.partId}: ${{ in: 'in', out: 'out', moved: 'moved over', onNew: 'is on the new part', missing: 'missing' }[e.to]}`;
    case 'quoted':
      return `quoted: ${e.choices.find((c) => c.id === e.chosenId)?.name ?? e.chosenId} at ${((e.choices.find((c) => c.id === e.chosenId)?.grossMinor ?? 0) / 100).toFixed(2)} ${e.currency}`;
    case 'charge':
      return `charge ${e.percent} %`;
    case 'route':
      return e.keepCover ? 'old cover to be saved' : 'new back glass';
    case 'promise':
      return e.promiseAt === null ? 'promise taken back' : `promised ${instant(e.promiseAt)}`;
    case 'prep':
      return `${{ powerOff: 'power off', trayOut: 'card tray out', toolsReady: 'tools at hand', crumbsGone: 'no crumbs', glanced: 'looked over at a glancing angle', strapOn: 'wrist strap on', closedTest: 'tested before closing', batteryOffAgain: 'battery off again', lensesBlown: 'lenses blown off', tagDevice: 'tag on the device', tagTray: 'tag on the tray', compared: 'old and new compared', blownClosing: 'lenses blown off before closing', photoClosing: 'photo before closing', pressedRound: 'pressed round', squeezeWiped: 'squeeze-out wiped', lookedAlong: 'looked along the surface', oldRingWhole: 'old ring whole', sealWanted: 'seal measurement wanted', faultsTold: 'told about faults that nobody can attribute' }[e.item]}${e.done ? '' : ': no'}`;
    case 'function':
      return `${e.fn} ${e.phase}: ${e.result}`;
    case 'cause':
      return `cause ${e.causeId}: ${e.found ? 'it was that' : 'not that'}${e.note ? `, ${e.note}` : ''}`;
    case 'registered':
      return `${e.part}: ${{ registered: 'registered', notNeeded: 'needs no registering', refused: 'registering refused by the device', notPossible: 'cannot be registered here' }[e.outcome]}${e.note ? `, ${e.note}` : ''}`;
    case 'comeBack':
      return `come-back of ${e.firstLabel || 'a job that is not here'}: ${comeBackNames[e.presumed]}${e.note ? `, ${e.note}` : ''}`;
    case 'cameraShot':
      return `target ${e.phase} through ${e.lens}: ${e.edges.length} edges${e.edges.length ? `, half contrast at ${(e.edges.reduce((s, x) => s + x.mtf50, 0) / e.edges.length).toFixed(3)} cycles per pixel` : ''}`;
    case 'flatShot':
      return `even field ${e.phase} through ${e.lens}: ${e.dark} dark and ${e.bright} bright specks`;
    case 'coverSeat':
      return `cover of ${e.lens}: gaps ${e.gaps.map((v) => units.mm(v, 2)).join(', ')}, steps ${e.steps.map((v) => units.mm(v, 2)).join(', ')}`;
    case 'heatPlan':
      return `plan: ${e.heater ?? 'plate'} ${units.c(e.setC)}, pick ${units.mm(e.pickMm, 1)}`;
    case 'heatOn':
      return `heat on: ${e.heater ?? 'plate'} at ${units.c(e.setC)}${e.preheated ? '' : ', from cold'}`;
    case 'heatOff':
      return `heat off (${e.reason})`;
    case 'probe':
      return `probe ${units.c(e.tempC)} (${e.from})`;
    case 'observed':
      return `${{ gaveWay: 'gave way', grips: 'it grips', calledAway: 'called away', back: 'back at the bench', broke: 'the cover broke', switchedOff: 'the heater switched itself off', missedAlarm: 'the alarm was missed', cellTouched: 'the cell was touched', cellSmells: 'the cell smells', cellSwells: 'the cell swells' }[e.what]}${e.edge ? ` at the ${e.edge} edge` : ''}${e.liftMm === undefined ? '' : ` at ${units.mm(e.liftMm, 2)}`}${e.modelC === undefined ? '' : `, model ${units.c(e.modelC)}`}`;
    case 'edge':
      return `${e.edge} edge ${e.free ? 'free' : 'not free'}`;
    case 'cut':
      return `${units.mm(e.toMm - e.fromMm, 0)} of the bond ${e.free ? 'cut' : e.stuck ? 'stuck again' : 'holds again'}${e.tC === undefined ? '' : ` at ${units.c(Math.round(e.tC))}`}`;
    case 'liftMode':
      return e.mode === 'pieces' ? 'lifted piece by piece' : 'lifted along the edges';
    case 'pieceOff':
      return `a piece is off, ${Math.round(e.areaMm2)} mm²`;
    case 'pieceBack':
      return 'a piece is not off after all';
    case 'glassLeft':
      return `glass left at ${units.mm(e.place[0], 0)} from the left, ${units.mm(e.place[1], 0)} from the top`;
    case 'glassGone':
      return 'glass that was left is out';
    case 'cameraRing':
      return `camera ring ${e.how === 'leftIn' ? 'left in' : 'pushed out from inside'}`;
    case 'clip':
      return `clip ${e.index + 1} ${e.state}`;
    case 'writeOff':
      return `cover written off: ${{ broke: 'it broke', printLayer: 'the print layer comes off', cost: 'saving costs more than a new one', other: 'said by hand' }[e.why]}${e.note ? `, ${e.note}` : ''}`;
    case 'alcohol':
      return `alcohol ${e.ml} ml ${e.use === 'gap' ? 'into the gap' : 'on a wipe'}`;
    case 'alcoholDry':
      return 'alcohol has dried, looked at';
    case 'cleanZone':
      return `${e.on === 'cover' ? 'cover, ' : ''}zone ${e.index + 1}: ${e.state}`;
    case 'lens':
      return `${e.bondId}: ${e.step}${e.done ? '' : ', not'}${e.newMm === undefined ? '' : `, new ${units.mm(e.newMm, 2)}`}`;
    case 'cleaned':
      return `stretch ${e.index + 1} ${e.done ? 'clean' : 'not clean'}`;
    case 'screw':
      return `screw ${e.hole} ${{ out: 'out', missing: 'missing', in: 'in', open: 'out again', untouched: 'as it was' }[e.to]}${e.spec ? `, ${e.spec.head} ${e.spec.diaMm} × ${units.mm(e.spec.lengthMm, 1)}` : ''}${e.cell ? `, cell ${e.cell}` : ''}`;
    case 'tightened':
      return `${e.zone} screws ${e.done ? 'tight' : 'not tight'}`;
    case 'stripped':
      return `${e.itemId}: ${e.to === 'asItWas' ? 'as it was' : e.to}${e.note ? `, ${e.note}` : ''}`;
    case 'under':
      return `${e.itemId} ${e.on ? 'is under' : 'is not under'} ${e.over}`;
    case 'stripTarget':
      return `to come out: ${e.ids.join(', ')}`;
    case 'cellChoice':
      return `cell: ${e.fit === 'new' ? 'a new one' : 'the same again'}${e.bent ? ', bent' : ''}${e.punctured ? ', punctured' : ''}`;
    case 'reading':
      return `${{ gapMm: 'gap', stepMm: 'step', seatMm: 'seat height' }[e.quantity]} ${e.point}: ${units.mm(e.value, 3)} (u ${units.mm(e.u, 3)})`;
    case 'eye': {
      const name = { gap: 'gap', step: 'step', seat: 'seat' }[e.of];
      if (e.fine) return `${name} by eye: even all round`;
      const how = e.of === 'gap' ? { high: 'wide', low: 'tight' } : { high: 'high', low: 'low' };
      return `${name} by eye: ${e.spots.map((x) => `${x.point} ${how[x.how]}`).join(', ') || 'not even'}`;
    }
    case 'bonded':
      return `bonded, ${schoolNames[e.adhesive]}${e.adhesive === 'cutTape' ? ` ${units.mm(e.usedMm, 0)}` : ''}`;
    case 'bead':
      return { start: 'laying the bead', end: 'bead is laid', off: 'bead wiped off' }[e.phase];
    case 'consumed':
      return `really used: ${e.items.map((i) => `${i.id} ${i.amount}`).join(', ')}`;
    case 'reopened':
      return `opened again: ${e.why}`;
    case 'cureHeld':
      return e.held ? 'held after the clamps' : 'slipped after the clamps';
    case 'shelved':
      return `on shelf ${e.place}${e.tC === null ? '' : ` at ${units.c(e.tC)}`}`;
    case 'clampOn':
      return `clamps on, ${e.count} × ${e.forceN} N`;
    case 'clampOff':
      return `clamps off${e.early ? ', early' : ''}`;
    case 'ambient':
      return `room ${units.c(e.tempC)}${e.rh === undefined ? '' : `, ${e.rh} % humidity`}`;
    case 'decision':
      return `${e.because ? 'override' : 'call'} ${e.call}: ${typeof e.chosen === 'string' ? e.chosen : JSON.stringify(e.chosen)}${e.because ? `, because ${e.because}` : ''}`;
    case 'work':
      return `${stageNames[e.stage]} ${e.to === 'begun' ? 'taken up' : 'laid aside'}`;
    case 'planWish':
      return `plan, ${taskName(e.task)}: ${{ notBefore: `not before ${e.wishAt === null ? '' : instant(e.wishAt)}`, pinned: `at ${e.wishAt === null ? '' : instant(e.wishAt)}`, who: '', free: 'free again' }[e.kind]}${e.person ? ` by ${e.person}` : ''}${e.heater ? ` on ${e.heater}` : ''}${e.because ? `, because ${e.because}` : ''}`;
    case 'partDue':
      return e.here
        ? `part is here${e.part ? `: ${e.part}` : ''}`
        : `part on order${e.part ? `: ${e.part}` : ''}${e.dueAt === null ? '' : `, due ${instant(e.dueAt)}`}`;
    case 'note':
      return `note: ${e.text}`;
    case 'signed':
      return `signed by ${e.mark} (${e.role})`;
    case 'undo':
      return 'undone';
    case 'leaveOut':
      return `entry left out: ${e.why}`;
    case 'amend':
      return `instant corrected to ${instant(e.movedTo)}`;
    default:
      return 'an entry of a later version, kept as it is';
  }
}
