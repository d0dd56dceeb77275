import type { JobState } from '@/model/fold';
import type { Language } from '@/model/languages';
import { useSettings } from '@/store/shop';
import { Choice } from '@/ui/Choice';
import { t } from '@/words/kit';
import { languageNames, languages } from '@/words/language';
import { useActions } from './actions';

/** What a part of a page is written in, where that is not the language of the page; the types of the web's views lack it. */
export const langOf = (lang: Language): object => ({ lang });

/** In which language the customer reads the quote, the tag and the sheet. */
export function CustomerLanguage({ job }: { job: JobState }) {
  const { log } = useActions(job);
  const own = useSettings().language;
  const c = job.customer;
  return (
    <Choice
      label={t('customerReads')}
      value={c?.language ?? own}
      options={languages.map((id) => ({ id, name: languageNames[id] }))}
      onChange={(language) =>
        void log([
          {
            type: 'customer',
            backup: c?.backup ?? null,
            lock: c?.lock ?? null,
            note: c?.note ?? '',
            language,
          },
        ])
      }
    />
  );
}
