import { bare } from '../../core/bare';
import type { EdgeId } from '../../core/device/types';
import type { EventOf, KnownEvent } from '../event';
import { callStop, stopKinds } from '../stops';
import { put } from './put';
import type { SliceDef } from './slice';
import { isOfJoint } from './ticks';

export type Answer = 'yes' | 'no' | 'unsure';

/** What was found and agreed on before anything is opened. */
export interface IntakeSlice {
  findings: Partial<Record<EventOf<'finding'>['kind'], { answer: Answer; edges: EdgeId[]; note: string }>>;
  /** a stop that was called, by its kind, until somebody who knew of it takes it back */
  stops: Map<EventOf<'finding'>['kind'], KnownEvent[]>;
  measured: Partial<Record<EventOf<'partMeasured'>['what'], { oldMm: number; newMm: number }>>;
  parts: Record<string, EventOf<'partState'>['to']>;
  quote: EventOf<'quoted'> | null;
  chargePercent: number | null;
  /** what was ticked off for the whole job; in the state of a job with what was at the joint that is looked at */
  prep: Set<EventOf<'prep'>['item']>;
}

export const intakeSlice = {
  empty: () => ({
    findings: {},
    stops: new Map(),
    measured: {},
    parts: bare(),
    quote: null,
    chargePercent: null,
    prep: new Set(),
  }),
  hears: {
    finding(own, e) {
      own.findings[e.kind] = { answer: e.answer, edges: e.edges ?? [], note: e.note ?? '' };
      if (stopKinds.has(e.kind)) callStop(own, e.kind, e);
    },
    observed(own, e) {
      // a cell that smells or swells counts as swollen from here on: nothing heats it any more
      if (e.what === 'cellSwells' || e.what === 'cellSmells') callStop(own, 'cellSwollen', e);
    },
    partMeasured(own, e) {
      own.measured[e.what] = { oldMm: e.oldMm, newMm: e.newMm };
    },
    partState(own, e) {
      own.parts[e.partId] = e.to;
    },
    quoted(own, e) {
      own.quote = e;
    },
    charge(own, e) {
      own.chargePercent = e.percent;
    },
    prep(own, e) {
      if (!isOfJoint(e.item)) put(own.prep, e.item, e.done);
    },
    reopened(own) {
      // it is tested once more before it is closed again
      own.prep.delete('closedTest');
    },
  },
} satisfies SliceDef<IntakeSlice>;
