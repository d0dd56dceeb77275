import type { Entries } from './entries';

/** What was tested, before and after. */
export const checkEntries = {
  holdTest(s, e) {
    s.holds[e.phase] = e;
  },
  sealLog(s, e) {
    s.sealLogs[`${e.phase}.${e.test}`] = e;
    if (e.test === 'press') s.pressLogs.push(e);
  },
  cameraShot(s, e) {
    s.cameraShots.push(e);
  },
  flatShot(s, e) {
    s.flatShots.push(e);
  },
  coverSeat(s, e) {
    s.coverSeats[e.lens] = e;
  },
  cause(s, e) {
    s.causesSeen.set(e.causeId, e);
  },
  registered(s, e) {
    s.registered[e.part] = e;
  },
  function(s, e) {
    if (e.phase === 'before' && s.opened) return;
    s.functions[e.phase][e.fn] = e.result;
    if (e.phase === 'before') {
      if (e.result === 'untested' && e.why) s.untested[e.fn] = e.why;
      else delete s.untested[e.fn];
    }
  },
} satisfies Entries;
