import type { JobState } from '@/model/fold';
import { JobPage } from '@/bench-kit/JobPage';
import { Button } from '@/ui/Button';
import { Txt } from '@/ui/Txt';
import { useQuoteBase, type QuoteReadyProps } from './useQuoteReady';
import { useQuoteReady } from './useQuoteReady';
import { QuoteSheet, QuoteTerms, QuoteSign, PriceLines } from './QuoteReadyParts';
import { t } from '@/words/intake';

/** Three ways side by side with their prices, the consents, and the customer's mark under them. */
export function QuoteScreen(p: { job: JobState }) {
  const base = useQuoteBase(p);
  const { row, risk, job, now, put } = base;
  if (!row || !risk)
    return (
      <JobPage
        job={job}
        title={t('quote')}
        now={now}
        stage="intake"
        main={<Button kind="main" label={t('quoteIt')} onPress={put} disabled why={t('noRouteIsOpen')} />}
      >
        <Txt>{t('noRouteIsOpenSoThere')}</Txt>
      </JobPage>
    );
  return <QuoteReady {...base} row={row} />;
}

/** The page with all that it needs at hand. */
function QuoteReady(p: QuoteReadyProps) {
  const here = useQuoteReady(p);
  const { counting, job, now, current, goOn, upTo, put } = here;
  return (
    <JobPage
      job={job}
      title={t('quote')}
      now={now}
      stage="intake"
      side={<Button label={t('print')} onPress={() => window.print()} />}
      main={
        <Button
          kind="main"
          label={current ? t('quoted') : t('quoteIt')}
          disabled={current || counting || (goOn === 'upTo' && upTo === null)}
          {...(counting
            ? { why: t('piecesAreCounted') }
            : goOn === 'upTo' && upTo === null
              ? { why: t('sayUpToHowMuch') }
              : {})}
          onPress={put}
        />
      }
    >
      <QuoteSheet here={here} />
      <QuoteTerms here={here} />
      <QuoteSign here={here} />
      <PriceLines here={here} />
    </JobPage>
  );
}
