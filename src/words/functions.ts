import { testCautions } from '@/core/functions/tables';
import en from './en/functions';
import { speaks, type Key } from './speaks';

const t = speaks('functions', en);
const has = (key: string): key is Key<typeof en> => Object.hasOwn(en, key);
/** Of an id that a later version wrote the id itself. */
const of = (key: string, id: string): string => (has(key) ? t(key) : id);

/** What a function of a device is called. */
export const functionName = (id: string): string => of(id, id);
/** How it is tested, as one clause. */
export const functionHow = (id: string): string => of(`how_${id}`, '');
/** What made a function fail, and the cheapest thing to do about it. */
export const causeName = (id: string): string => of(`cause_${id}`, id);
export const causeNext = (id: string): string => of(`next_${id}`, '');
/** Where a test can hurt somebody. */
export const functionCaution = (id: string): string | null => {
  const caution = testCautions[id];
  return caution ? t(`caution_${caution}`) : null;
};
