import { format } from 'date-fns/format';

import type { JobEvent } from './event';
import { stageNames } from './stages';

const instant = (ms: number) => format(ms, 'd MMM yyyy HH:mm:ss');

export interface LineUnits {
  mm: (mm: number, digits: number) => string;
  c: (c: number) => string;
}
const asStored: LineUnits = { mm: (v, d) => `${v.toFixed(d)} mm`, c: (v) => `${v} °C` };

/** One line for each event; what it is called at the bench. */
export function eventLine(e: JobEvent, units: LineUnits = asStored): string {
  switch (e.type) {
    case 'opened':
      return `job opened, ${e.device.name} (version ${e.device.version})`;
    case 'stage':
      return `${stageNames[e.stage]} ${e.to}`;
    case 'finding':
      return `found: ${{ chip: 'chips', crack: 'cracks', bent: 'bent frame', cellSwollen: 'swollen cell' }[e.kind]} ${e.answer}${e.edges?.length ? ` (${e.edges.join(', ')})` : ''}`;
    case 'charge':
      return `charge ${e.percent} %`;
    case 'route':
      return e.keepCover ? 'old cover to be saved' : 'new back glass';
    case 'promise':
      return e.promiseAt === null ? 'promise taken back' : `promised ${instant(e.promiseAt)}`;
    case 'prep':
      return `${{ powerOff: 'power off', trayOut: 'card tray out', toolsReady: 'tools at hand', crumbsGone: 'no crumbs', lensesBlown: 'lenses blown off' }[e.item]}${e.done ? '' : ': no'}`;
    case 'function':
      return `${e.fn} ${e.phase}: ${e.result}`;
    case 'heatPlan':
      return `plan: plate ${units.c(e.setC)}, pick ${units.mm(e.pickMm, 1)}`;
    case 'heatOn':
      return `on the plate at ${units.c(e.setC)}`;
    case 'heatOff':
      return `off the plate (${e.reason})`;
    case 'observed':
      return `${{ gaveWay: 'gave way', grips: 'it grips', calledAway: 'called away', broke: 'the cover broke' }[e.what]}${e.edge ? ` at the ${e.edge} edge` : ''}${e.modelC === undefined ? '' : `, model ${units.c(e.modelC)}`}`;
    case 'edge':
      return `${e.edge} edge ${e.free ? 'free' : 'not free'}`;
    case 'cleaned':
      return `stretch ${e.index + 1} ${e.done ? 'clean' : 'not clean'}`;
    case 'reading':
      return `${e.quantity === 'gapMm' ? 'gap' : 'step'} ${e.point}: ${units.mm(e.value, 3)} (u ${units.mm(e.u, 3)})`;
    case 'bonded':
      return `bonded, ${e.adhesive === 'cutTape' ? `tape ${units.mm(e.usedMm, 0)}` : 'pre-cut ring'}`;
    case 'clampOn':
      return `clamps on, ${e.count} × ${e.forceN} N`;
    case 'clampOff':
      return `clamps off${e.early ? ', early' : ''}`;
    case 'ambient':
      return `room ${units.c(e.tempC)}`;
    case 'decision':
      return `${e.because ? 'override' : 'call'} ${e.call}: ${typeof e.chosen === 'string' ? e.chosen : JSON.stringify(e.chosen)}${e.because ? `, because ${e.because}` : ''}`;
    case 'note':
      return `note: ${e.text}`;
    case 'signed':
      return `signed by ${e.mark} (${e.role})`;
    case 'undo':
      return 'undone';
    case 'amend':
      return `instant corrected to ${instant(e.movedTo)}`;
    default:
      return 'an entry of a later version, kept as it is';
  }
}
