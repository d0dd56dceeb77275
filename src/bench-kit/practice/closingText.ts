import type { ClosingHappened, ClosingRefusal } from '@/core/practice/closing/case';
import { t } from '@/words/practice';

const refusals = {
  shut: 'saidShut',
  open: 'saidOpen',
  nothingLaid: 'saidNothingLaid',
  held: 'saidHeldAlready',
  notHeld: 'saidNotHeld',
  handed: 'itIsOver',
} as const satisfies Record<ClosingRefusal, string>;

const said = {
  crumbSeen: 'saidCrumbSeen',
  crumbGone: 'saidCrumbGone',
  nothingThere: 'saidNothingThere',
  bare: 'saidBare',
  haze: 'saidHaze',
  closed: 'saidClosed',
  clamped: 'saidClamped',
  slipped: 'saidSlipped',
  held: 'saidHeld',
  handed: 'saidHanded',
} as const satisfies Record<Exclude<ClosingHappened['what'], 'no'>, string>;

/** What came of something, in a line. */
export const closingText = (h: ClosingHappened): string => t(h.what === 'no' ? refusals[h.why] : said[h.what]);
