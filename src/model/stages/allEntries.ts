import { bondEntries } from './bond';
import { checkEntries } from './check';
import { cleanEntries } from './clean';
import { cureEntries } from './cure';
import { dryFitEntries } from './dryFit';
import { heatEntries } from './heat';
import { intakeEntries } from './intake';
import { liftEntries } from './lift';
import { stripEntries } from './strip';
import { wholeJobEntries } from './wholeJob';
import type { Perimeter } from '../../core/device/perimeter';
import type { EventOf, KnownEvent } from '../event';
import type { JobState } from '../fold';

type AllEntries = { [T in KnownEvent['type']]: (s: JobState, e: EventOf<T>, path: Perimeter) => void };

/** What opens a job or speaks of other entries is read before they are folded. */
const readBefore = () => {};

/** Every kind of entry has one owner: a new kind that nobody folds does not compile. */
const all = {
  ...intakeEntries,
  ...heatEntries,
  ...liftEntries,
  ...stripEntries,
  ...cleanEntries,
  ...dryFitEntries,
  ...bondEntries,
  ...cureEntries,
  ...checkEntries,
  ...wholeJobEntries,
  opened: readBefore,
  undo: readBefore,
  leaveOut: readBefore,
  amend: readBefore,
} satisfies AllEntries;

/** Puts one entry into the state of its job. */
export function applyEntry(s: JobState, e: KnownEvent, path: Perimeter): void {
  (all[e.type] as (s: JobState, e: KnownEvent, path: Perimeter) => void)(s, e, path);
}
