import type { Perimeter } from '../../core/device/perimeter';
import type { Bond, Device, Face } from '../../core/device/types';
import type { EventOf, KnownEvent } from '../event';
import type { Slices } from './slices';

/** What stands before a job's entries are read: the model, and the joint that is worked on as somebody sees it. */
export interface JointView {
  opened: EventOf<'opened'>;
  /** as it was copied into the log */
  model: Device;
  /** as somebody sees it who looks at the face of the bond */
  device: Device;
  bond: Bond;
  face: Face;
  /** the ring that is worked on */
  path: Perimeter;
}

export interface FoldContext extends JointView {
  /** what the entries before this one came to: read only */
  so: Readonly<Slices>;
}

/** One part of a job's state and the entries that change it; nothing else does. */
export interface SliceDef<S> {
  empty(view: JointView): S;
  /** what follows from all entries together, once they are folded */
  settle?(own: S, view: JointView): void;
  hears: { [T in KnownEvent['type']]?: (own: S, e: EventOf<T>, ctx: FoldContext) => void };
}
