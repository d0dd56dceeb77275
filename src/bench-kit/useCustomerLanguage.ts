import { useEffect, useState } from 'react';

import type { JobState } from '@/model/fold';
import type { Language } from '@/model/languages';
import { useSettings } from '@/store/shop';
import { fetchWords, hasWords } from '@/words/language';

/**
 * The language in which this customer reads: chosen at intake, else the bench's own.
 * @returns the bench's until the words of the other one are there
 */
export function useCustomerLanguage(job: Pick<JobState, 'customer'>): Language {
  const own = useSettings().language;
  const wanted = job.customer?.language ?? own;
  const [ready, setReady] = useState<Language>(() => (hasWords(wanted) ? wanted : own));
  useEffect(() => {
    let over = false;
    // words that cannot be got leave the sheet in the language of the bench
    void fetchWords(wanted).then(
      () => !over && setReady(wanted),
      () => {},
    );
    return () => {
      over = true;
    };
  }, [wanted]);
  return ready;
}
