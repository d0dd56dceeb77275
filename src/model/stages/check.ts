import { bare } from '../../core/bare';
import type { FunctionResult } from '../../core/functions/riskOrder';
import type { EventOf } from '../event';
import type { SliceDef } from './slice';

/** What was tested, before and after. */
export interface CheckSlice {
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
  functions: Record<EventOf<'function'>['phase'], Record<string, FunctionResult>>;
  /** why a function could not be tested at intake */
  untested: Record<string, string>;
}

export const checkSlice = {
  empty: () => ({
    holds: {},
    sealLogs: {},
    pressLogs: [],
    cameraShots: [],
    flatShots: [],
    coverSeats: bare(),
    causesSeen: new Map(),
    registered: bare(),
    functions: { before: bare(), open: bare(), after: bare() },
    untested: bare(),
  }),
  hears: {
    holdTest(own, e) {
      own.holds[e.phase] = e;
    },
    sealLog(own, e) {
      own.sealLogs[`${e.phase}.${e.test}`] = e;
      if (e.test === 'press') own.pressLogs.push(e);
    },
    cameraShot(own, e) {
      own.cameraShots.push(e);
    },
    flatShot(own, e) {
      own.flatShots.push(e);
    },
    coverSeat(own, e) {
      own.coverSeats[e.lens] = e;
    },
    cause(own, e) {
      own.causesSeen.set(e.causeId, e);
    },
    registered(own, e) {
      own.registered[e.part] = e;
    },
    function(own, e, { so }) {
      if (e.phase === 'before' && so.whole.opened) return;
      own.functions[e.phase][e.fn] = e.result;
      if (e.phase === 'before') {
        if (e.result === 'untested' && e.why) own.untested[e.fn] = e.why;
        else delete own.untested[e.fn];
      }
    },
  },
} satisfies SliceDef<CheckSlice>;
