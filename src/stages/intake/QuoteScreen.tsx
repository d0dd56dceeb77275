import type { JobState } from '@/model/fold';
import { JobPage } from '@/bench-kit/JobPage';
import { Button } from '@/ui/Button';
import { Txt } from '@/ui/Txt';
import { useQuoteBase, type QuoteReadyProps } from './useQuoteReady';
import { useQuoteReady } from './useQuoteReady';
import { QuoteSheet, QuoteTerms, QuoteSign, PriceLines } from './QuoteReadyParts';

/** Three ways side by side with their prices, the consents, and the customer's mark under them. */
export function QuoteScreen(p: { job: JobState }) {
  const base = useQuoteBase(p);
  const { row, risk, job, now, put } = base;
  if (!row || !risk)
    return (
      <JobPage
        job={job}
        title="Quote"
        now={now}
        stage="intake"
        main={<Button kind="main" label="Quote it" onPress={put} disabled why="no route is open" />}
      >
        <Txt>No route is open, so there is nothing to quote.</Txt>
      </JobPage>
    );
  return <QuoteReady {...base} row={row} />;
}

/** The page with all that it needs at hand. */
function QuoteReady(p: QuoteReadyProps) {
  const here = useQuoteReady(p);
  const { job, now, current, goOn, upTo, put } = here;
  return (
    <JobPage
      job={job}
      title="Quote"
      now={now}
      stage="intake"
      side={<Button label="Print" onPress={() => window.print()} />}
      main={
        <Button
          kind="main"
          label={current ? 'Quoted' : 'Quote it'}
          disabled={current || (goOn === 'upTo' && upTo === null)}
          {...(goOn === 'upTo' && upTo === null ? { why: 'up to how much is open' } : {})}
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
