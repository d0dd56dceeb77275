import { useEffect, useState } from 'react';

import type { Sourced } from '@/core/source';
import { language } from '@/words/language';
import { figureWordsOf, sourceText, type FigureWords } from '@/words/sourceText';

/**
 * What figures are called in the language of the bench; null: as they stand in the code, which is English, also for as long as the
 * words of another language are on their way or cannot be fetched.
 */
export function useFigureWords(): FigureWords | null {
  const spoken = language();
  const [got, setGot] = useState<{ of: string; words: FigureWords } | null>(null);
  useEffect(() => {
    if (spoken === 'en') return;
    let here = true;
    figureWordsOf[spoken]()
      .then((words) => here && setGot({ of: spoken, words }))
      .catch(() => undefined);
    return () => {
      here = false;
    };
  }, [spoken]);
  return got?.of === spoken ? got.words : null;
}

/** Says where a figure comes from, in a line: beside the field where it is set, and under Why. */
export function useSourceLine(): (figure: Sourced) => string {
  const said = useFigureWords();
  return (figure) => sourceText(figure, said);
}
