import { callStop, stopKinds } from '../stops';
import { settleCover } from '../settleCover';
import { put } from './put';
import type { Entries } from './entries';

/** What was found and agreed on before anything is opened. */
export const intakeEntries = {
  finding(s, e) {
    if (e.kind === 'crack') {
      // a cracked cover is written off unless somebody says otherwise, also after a route was taken (law 22)
      const newly = e.answer === 'yes' && s.findings.crack?.answer !== 'yes';
      if (!s.coverSaid) settleCover(s, e.answer === 'no');
      else if (newly && s.findings.crack) settleCover(s, false);
    }
    s.findings[e.kind] = { answer: e.answer, edges: e.edges ?? [], note: e.note ?? '' };
    if (stopKinds.has(e.kind)) callStop(s, e.kind, e);
  },
  crack(s, e) {
    if (e.onFace !== s.face.id) return;
    if (!s.coverSaid && !s.cracks.size) settleCover(s, false);
    s.cracks.set(e.crackId, e.pts);
  },
  crackGone(s, e) {
    s.cracks.delete(e.crackId);
  },
  chipMark(s, e) {
    if (e.onFace === s.face.id) s.chips.set(e.chipId, e.place);
  },
  chipGone(s, e) {
    s.chips.delete(e.chipId);
  },
  jobRoute(s, e) {
    s.route = e;
    s.keepCover = e.cover === 'save';
    s.coverSaid = true;
  },
  route(s, e) {
    settleCover(s, e.keepCover);
    s.coverSaid = true;
  },
  partMeasured(s, e) {
    s.measured[e.what] = { oldMm: e.oldMm, newMm: e.newMm };
  },
  partState(s, e) {
    s.parts[e.partId] = e.to;
  },
  quoted(s, e) {
    s.quote = e;
  },
  charge(s, e) {
    s.chargePercent = e.percent;
  },
  prep(s, e) {
    put(s.prep, e.item, e.done);
  },
} satisfies Entries;
