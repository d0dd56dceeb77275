import type { KnownEvent } from './event';
import type { JobState } from './fold';

/** What the tests and the hand-over put into a job's state. */
export function applyCheck(s: JobState, e: KnownEvent): void {
  switch (e.type) {
    case 'holdTest':
      s.holds[e.phase] = e;
      break;
    case 'sealLog':
      s.sealLogs[`${e.phase}.${e.test}`] = e;
      if (e.test === 'press') s.pressLogs.push(e);
      break;
    case 'cameraShot':
      s.cameraShots.push(e);
      break;
    case 'flatShot':
      s.flatShots.push(e);
      break;
    case 'coverSeat':
      s.coverSeats[e.lens] = e;
      break;
    case 'cause':
      s.causesSeen.set(e.causeId, e);
      break;
    case 'registered':
      s.registered[e.part] = e;
      break;
    case 'comeBack':
      s.comeBack = e;
      break;
    case 'function':
      if (e.phase === 'before' && s.opened) break;
      s.functions[e.phase][e.fn] = e.result;
      if (e.phase === 'before') {
        if (e.result === 'untested' && e.why) s.untested[e.fn] = e.why;
        else delete s.untested[e.fn];
      }
      break;
    default:
      break;
  }
}
