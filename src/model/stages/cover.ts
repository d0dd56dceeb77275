import { coverKindOf } from '../../core/device/coverKinds';
import type { Pt } from '../../core/device/types';
import { coverOf, internalsOutOf, workDefs, worksAt, type Work } from '../../core/intake/works';
import type { EventOf } from '../event';
import { coverWorkAt, leading, usualClosing } from '../jobWorks';
import type { IntakeSlice } from './intake';
import type { JointView, SliceDef } from './slice';

/** The cover of one joint: cracked or whole, saved or written off, and what is to be done with it. */
export interface CoverSlice {
  keepCover: boolean;
  /** where this cover is cracked, as it was answered; null: nobody asked yet */
  crackSaid: IntakeSlice['findings']['crack'] | null;
  /** somebody said whether the cover is saved; before that it follows from the cracks */
  coverSaid: boolean;
  route: EventOf<'jobRoute'> | null;
  /** cracks and chips by id, those of the face that is worked on */
  cracks: Map<string, readonly Pt[]>;
  chips: Map<string, Pt>;
  broke: boolean;
  /** the new part was looked at: the right one or a wrong one; null: not yet, or another has come */
  partCheck: Pick<EventOf<'partChecked'>, 'holes' | 'works' | 'right'> | null;
  writtenOff: EventOf<'writeOff'> | null;
}

/** Saved or written off: route and part follow at once, also those of a route that was taken. */
function settleCover(own: CoverSlice, keep: boolean, view: Pick<JointView, 'model' | 'bond' | 'face'>): void {
  own.keepCover = keep;
  if (!own.route) return;
  const renewing = coverWorkAt(view);
  const done = worksAt(own.route);
  // what renews nothing but the cover goes or comes with it; all else stays
  const [work = 'openClose', ...also]: Work[] = keep
    ? done.filter((w) => w !== renewing)
    : coverOf(done[0]!, view.face.side) === 'new'
      ? [...done]
      : [renewing, ...done.filter((w) => w !== 'openClose')];
  const buys = [work, ...also].some((w) => workDefs[w].item !== null);
  own.route = {
    ...own.route,
    cover: keep ? 'save' : 'new',
    origin: buys ? (own.route.origin ?? 'genuine') : null,
    work,
    also,
  };
}

/** The route that a job was opened with: what is to be done at this joint, by new parts until somebody says otherwise. */
function routeAsOpened({ opened, bond, face, model }: JointView): EventOf<'jobRoute'> | null {
  const lead = leading(opened.works ?? [], bond.id);
  if (!lead) return null;
  const { v, id, jobId, writer, seq, at, loggedAt, by } = opened;
  const { origins } = workDefs[lead.work];
  return {
    ...{ v, id, jobId, writer, seq, at, loggedAt, by },
    type: 'jobRoute',
    bondId: bond.id,
    ...lead,
    cover: coverOf(lead.work, face.side),
    origin: origins.includes('genuine') ? 'genuine' : (origins[0] ?? null),
    through: model.insideThrough,
    // lens glass that is pushed out from behind: the camera comes out for it
    internalsOut: internalsOutOf(lead) || coverKindOf(face).fromBehind,
    partHas: [],
    closedBy: usualClosing(bond),
  };
}

export const coverSlice = {
  empty: (view) => {
    const route = routeAsOpened(view);
    return {
      keepCover: route?.cover === 'save',
      crackSaid: null,
      coverSaid: false,
      route,
      cracks: new Map(),
      chips: new Map(),
      broke: false,
      partCheck: null,
      writtenOff: null,
    };
  },
  hears: {
    finding(own, e, ctx) {
      if (e.kind !== 'crack') return;
      // a cracked cover is written off unless somebody says otherwise, also after a route was taken (law 22)
      const before = own.crackSaid;
      own.crackSaid = { answer: e.answer, edges: e.edges ?? [], note: e.note ?? '' };
      const newly = e.answer === 'yes' && before?.answer !== 'yes';
      if (!own.coverSaid) settleCover(own, e.answer === 'no', ctx);
      else if (newly && before) settleCover(own, false, ctx);
    },
    crack(own, e, ctx) {
      if (e.onFace !== ctx.face.id) return;
      if (!own.coverSaid && !own.cracks.size) settleCover(own, false, ctx);
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
    route(own, e, ctx) {
      settleCover(own, e.keepCover, ctx);
      own.coverSaid = true;
    },
    partChecked(own, e) {
      own.partCheck = e;
    },
    partDue(own, e) {
      // another one has come: it is looked at like the first
      if (e.here) own.partCheck = null;
    },
    happened(own, e) {
      if (e.what === 'wrongPart') own.partCheck = { holes: 'no', works: 'notTried', right: false };
    },
    observed(own, e, ctx) {
      if (e.what !== 'broke') return;
      own.broke = true;
      settleCover(own, false, ctx);
    },
    writeOff(own, e, ctx) {
      own.writtenOff = e;
      settleCover(own, false, ctx);
      if (e.why === 'broke') own.broke = true;
    },
  },
} satisfies SliceDef<CoverSlice>;
