import type { Happening, screwPlaces } from '@/model/entries/job';
import { t } from './happened';

const keys = {
  broke: ['broke', 'brokeHint'],
  stuckAgain: ['stuckAgain', 'stuckAgainHint'],
  givesHere: ['givesHere', 'givesHereHint'],
  wrongPart: ['wrongPart', 'wrongPartHint'],
  screw: ['screw', 'screwHint'],
  damaged: ['damaged', 'damagedHint'],
  calledAway: ['calledAway', 'calledAwayHint'],
  changedMind: ['changedMind', 'changedMindHint'],
  foundDamage: ['foundDamage', 'foundDamageHint'],
} as const satisfies Record<Happening, readonly [string, string]>;

/** What came in between, as somebody would call it out. */
export const happeningName = (what: Happening): string => t(keys[what][0]);
/** What is meant by it, under its name. */
export const happeningHint = (what: Happening): string => t(keys[what][1]);

const places = {
  underLabel: 'underLabel',
  underCap: 'underCap',
  besidePort: 'besidePort',
  underPart: 'underPart',
  elsewhere: 'elsewhere',
} as const satisfies Record<(typeof screwPlaces)[number], string>;
export const screwPlaceName = (where: (typeof screwPlaces)[number]): string => t(places[where]);
