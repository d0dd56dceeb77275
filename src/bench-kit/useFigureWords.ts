import { useQuery } from '@tanstack/react-query';

import type { Sourced } from '@/core/source';
import { figureWordsOf, sourceText, type FigureWords } from '@/words/sourceText';
import { language } from '@/words/language';

/** What figures are called in the language of the bench; null: as they stand in the code, which is English. */
export function useFigureWords(): FigureWords | null {
  const spoken = language();
  const { data } = useQuery({
    queryKey: ['figureWords', spoken],
    enabled: spoken !== 'en',
    queryFn: () => (spoken === 'en' ? null : figureWordsOf[spoken]()),
  });
  return data ?? null;
}

/** Says where a figure comes from, in a line: beside the field where it is set, and under Why. */
export function useSourceLine(): (figure: Sourced) => string {
  const said = useFigureWords();
  return (figure) => sourceText(figure, said);
}
