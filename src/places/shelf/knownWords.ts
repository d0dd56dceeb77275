import { t } from '@/words/shelf';
import { listed } from '@/words/units';

/** Facts of a model as a person would name them, each once. */
export function guessedWords(facts: readonly string[]): string {
  const names = facts.map((f) => {
    if (f === 'size') return t('factSize');
    if (f === 'thickness') return t('factThickness');
    if (f === 'layers') return t('factLayers');
    if (f === 'cables') return t('factCables');
    if (f === 'small') return t('factSmall');
    if (f.startsWith('bond:')) return t('factGlue');
    if (f.startsWith('hole:') || f === 'part:camera') return t('factCameras');
    if (f.startsWith('part:button')) return t('factKeys');
    return t('factInside');
  });
  return listed([...new Set(names)]);
}
