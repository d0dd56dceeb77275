import type { Entries } from './entries';

/** Entries of the job as a whole: they belong to no stage. */
export const wholeJobEntries = {
  stage(s, e) {
    s.stages[e.stage] = e.to;
    if (e.stage === 'lift' && e.to === 'done') s.opened = true;
  },
  promise(s, e) {
    s.promiseAt = e.promiseAt;
  },
  photo(s, e) {
    s.photos.push(e);
  },
  photoGone(s, e) {
    s.photos = s.photos.filter((p) => p.photoId !== e.photoId);
  },
  customer(s, e) {
    s.customer = e;
  },
  decision(s, e) {
    s.decisions.push(e);
  },
  note(s, e) {
    s.notes.push(e);
  },
  signed(s, e) {
    s.signed.push(e);
  },
  work(s, e) {
    s.works.push(e);
  },
  planWish(s, e) {
    if (e.kind === 'free') s.wishes.delete(e.task);
    else s.wishes.set(e.task, e);
  },
  partDue(s, e) {
    s.partDue = e.here || e.dueAt === null ? null : e;
  },
  comeBack(s, e) {
    s.comeBack = e;
  },
} satisfies Entries;
