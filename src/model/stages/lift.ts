import type { EventOf } from '../event';
import type { JobState } from '../fold';
import type { Entries } from './entries';

/** A stretch that is free, or that holds again. */
function cutStretch(
  s: JobState,
  span: { fromMm: number; toMm: number },
  e: Pick<EventOf<'cut'>, 'free' | 'hazard'>,
): void {
  s.cut = e.free ? s.cut.cut(span) : s.cut.grip(span);
  if (e.free) {
    s.opened = true;
    if (s.keepCover) s.hazard += e.hazard ?? 0;
  }
  s.calledAway = false;
}

/** What of the ring is cut, what came off and how. */
export const liftEntries = {
  edge(s, e, path) {
    cutStretch(s, path.edgeSpan(e.edge), e);
  },
  cut(s, e) {
    if (e.toMm >= e.fromMm) cutStretch(s, e, e);
  },
  liftMode(s, e) {
    s.liftMode = e.mode;
  },
  pieceOff(s, e) {
    if (e.onFace === s.face.id) s.piecesOff.set(e.offId, e);
    s.opened = true;
  },
  pieceBack(s, e) {
    s.piecesOff.delete(e.offId);
  },
  glassLeft(s, e) {
    if (e.onFace === s.face.id) s.glassLeft.set(e.markId, e.place);
  },
  glassGone(s, e) {
    s.glassLeft.delete(e.markId);
  },
  cameraRing(s, e) {
    s.cameraRing = e.how;
  },
  clip(s, e) {
    if (e.state === 'holds') s.clips.delete(e.index);
    else {
      s.clips.set(e.index, e.state);
      s.opened = true;
    }
  },
  writeOff(s, e) {
    s.writtenOff = e;
    s.keepCover = false;
    if (e.why === 'broke') s.broke = true;
  },
  lens(s, e) {
    const own = s.lenses.get(e.bondId) ?? { steps: {}, newMm: null };
    if (e.done) own.steps[e.step] = e.at;
    else delete own.steps[e.step];
    if (e.newMm !== undefined) own.newMm = e.newMm;
    s.lenses.set(e.bondId, own);
    if (e.step === 'off' && e.done) s.opened = true;
  },
} satisfies Entries;
