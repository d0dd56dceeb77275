import type { Pt } from '../../core/device/types';
import type { EventOf } from '../event';
import type { SliceDef } from './slice';

/** The cover of one joint: cracked or whole, saved or written off, and what is to be done with it. */
export interface CoverSlice {
  keepCover: boolean;
  /** somebody said whether the cover is saved; before that it follows from the cracks */
  coverSaid: boolean;
  route: EventOf<'jobRoute'> | null;
  /** cracks and chips by id, those of the face that is worked on */
  cracks: Map<string, readonly Pt[]>;
  chips: Map<string, Pt>;
  broke: boolean;
  writtenOff: EventOf<'writeOff'> | null;
}

/** Saved or written off: route and part follow at once, also those of a route that was taken. */
function settleCover(own: CoverSlice, keep: boolean): void {
  own.keepCover = keep;
  if (!own.route) return;
  const { work, origin } = own.route;
  own.route = keep
    ? { ...own.route, cover: 'save', origin: null, work: work === 'glassOnly' ? 'openClose' : work }
    : { ...own.route, cover: 'new', origin: origin ?? 'genuine', work: work === 'openClose' ? 'glassOnly' : work };
}

export const coverSlice = {
  empty: () => ({
    keepCover: false,
    coverSaid: false,
    route: null,
    cracks: new Map(),
    chips: new Map(),
    broke: false,
    writtenOff: null,
  }),
  hears: {
    finding(own, e, { so }) {
      if (e.kind !== 'crack') return;
      // a cracked cover is written off unless somebody says otherwise, also after a route was taken (law 22)
      const before = so.intake.findings.crack;
      const newly = e.answer === 'yes' && before?.answer !== 'yes';
      if (!own.coverSaid) settleCover(own, e.answer === 'no');
      else if (newly && before) settleCover(own, false);
    },
    crack(own, e, { face }) {
      if (e.onFace !== face.id) return;
      if (!own.coverSaid && !own.cracks.size) settleCover(own, false);
      own.cracks.set(e.crackId, e.pts);
    },
    crackGone(own, e) {
      own.cracks.delete(e.crackId);
    },
    chipMark(own, e, { face }) {
      if (e.onFace === face.id) own.chips.set(e.chipId, e.place);
    },
    chipGone(own, e) {
      own.chips.delete(e.chipId);
    },
    jobRoute(own, e) {
      own.route = e;
      own.keepCover = e.cover === 'save';
      own.coverSaid = true;
    },
    route(own, e) {
      settleCover(own, e.keepCover);
      own.coverSaid = true;
    },
    observed(own, e) {
      if (e.what !== 'broke') return;
      own.broke = true;
      own.keepCover = false;
    },
    writeOff(own, e) {
      own.writtenOff = e;
      own.keepCover = false;
      if (e.why === 'broke') own.broke = true;
    },
  },
} satisfies SliceDef<CoverSlice>;
