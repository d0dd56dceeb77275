import type { Objection } from '@/work/cure/holdWays';
import { t } from '@/words/cure';

const words: Record<string, () => string> = {
  force: () => t('pressesTooLittle'),
  uneven: () => t('liftsBetweenClips'),
  peak: () => t('tooHardOnTheJoint'),
  display: () => t('tooMuchOnTheScreen'),
  coil: () => t('tooMuchOnTheCoil'),
  owned: () => t('notEnoughOfThemHere'),
  bag: () => t('moreThanThisBagGives'),
};
const word = (why: string): string => words[why]?.() ?? why;

function one(o: Objection): string {
  if (o.why === 'fewer') return t('soManyAskedFor', { count: o.count, owned: o.owned });
  if (!('evenCount' in o)) return word(o.why);
  const still = o.still.map((w) => t('stillSo', { what: word(w) }));
  const then = o.then.map((w) => t('thenSo', { what: word(w) }));
  return t('evenBut', { what: word(o.why), evenCount: o.evenCount, but: [...still, ...then].join(', ') });
}

/** What speaks against a way to hold, in words. */
export const objectionsText = (against: readonly Objection[]): string => against.map(one).join(', ');
