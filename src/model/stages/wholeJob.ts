import type { EventOf } from '../event';
import type { SliceDef } from './slice';

/** What belongs to the job as a whole and to no stage. */
export interface WholeJobSlice {
  promiseAt: number | null;
  /** a bond has been cut: what was found before stands from here on, for ever */
  opened: boolean;
  photos: EventOf<'photo'>[];
  customer: EventOf<'customer'> | null;
  decisions: EventOf<'decision'>[];
  notes: EventOf<'note'>[];
  /** what came in between, and what the customer said to it by its entry */
  happened: EventOf<'happened'>[];
  customerSaid: Map<string, EventOf<'customerSaid'>>;
  signed: EventOf<'signed'>[];
  /** who took up and laid aside what, and what is wished of the plan by task */
  works: EventOf<'work'>[];
  wishes: Map<EventOf<'planWish'>['task'], EventOf<'planWish'>>;
  /** a part that it waits for; null: nothing is on order */
  partDue: EventOf<'partDue'> | null;
  comeBack: EventOf<'comeBack'> | null;
  /** what was learned of the device, by item, and whether it was kept for the model */
  learned: Map<string, EventOf<'learned'>>;
  learnedKept: Map<string, boolean>;
  /** the air as it was noted, and its temperature last */
  airs: EventOf<'ambient'>[];
  ambientC: number | null;
}

const isOpened = (own: WholeJobSlice) => void (own.opened = true);
const whenFree = (own: WholeJobSlice, e: EventOf<'edge'> | EventOf<'cut'>) => {
  if (e.free && (e.type === 'edge' || e.toMm >= e.fromMm)) isOpened(own);
};

export const wholeJobSlice = {
  empty: ({ opened }) => ({
    promiseAt: opened.promiseAt,
    opened: false,
    photos: [],
    customer: null,
    decisions: [],
    notes: [],
    happened: [],
    customerSaid: new Map(),
    signed: [],
    works: [],
    wishes: new Map(),
    partDue: null,
    comeBack: null,
    learned: new Map(),
    learnedKept: new Map(),
    airs: [],
    ambientC: null,
  }),
  hears: {
    promise(own, e) {
      own.promiseAt = e.promiseAt;
    },
    edge: whenFree,
    cut: whenFree,
    pieceOff: isOpened,
    clip(own, e) {
      if (e.state !== 'holds') isOpened(own);
    },
    lens(own, e) {
      if (e.step === 'off' && e.done) isOpened(own);
    },
    stage(own, e) {
      if (e.stage === 'lift' && e.to === 'done') isOpened(own);
    },
    photo(own, e) {
      own.photos.push(e);
    },
    photoGone(own, e) {
      own.photos = own.photos.filter((p) => p.photoId !== e.photoId);
    },
    customer(own, e) {
      own.customer = e;
    },
    decision(own, e) {
      own.decisions.push(e);
    },
    note(own, e) {
      own.notes.push(e);
    },
    happened(own, e) {
      own.happened.push(e);
    },
    customerSaid(own, e) {
      own.customerSaid.set(e.happenedId, e);
    },
    signed(own, e) {
      own.signed.push(e);
    },
    work(own, e) {
      own.works.push(e);
    },
    planWish(own, e) {
      if (e.kind === 'free') own.wishes.delete(e.task);
      else own.wishes.set(e.task, e);
    },
    partDue(own, e) {
      own.partDue = e.here || e.dueAt === null ? null : e;
    },
    comeBack(own, e) {
      own.comeBack = e;
    },
    learned(own, e) {
      if (e.on) own.learned.set(e.itemId, e);
      else own.learned.delete(e.itemId);
    },
    learnedKept(own, e) {
      own.learnedKept.set(e.itemId, e.kept);
    },
    ambient(own, e) {
      own.ambientC = e.tempC;
      own.airs.push(e);
    },
  },
} satisfies SliceDef<WholeJobSlice>;
