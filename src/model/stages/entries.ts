import type { Perimeter } from '../../core/device/perimeter';
import type { EventOf, KnownEvent } from '../event';
import type { JobState } from '../fold';

/** How entries of a kind change the state of a job. @param path the ring that is worked on */
export type Entries = { [T in KnownEvent['type']]?: (s: JobState, e: EventOf<T>, path: Perimeter) => void };
