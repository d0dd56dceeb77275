import type { ByCalls } from '@/core/practice/byCalls';
import { useSettings } from '@/store/shop';
import { Txt } from '@/ui/Txt';
import type { Outcome } from '@/work/practice/practiceCost';
import { callsText, costText } from './debriefText';

/** What the same device takes by the calls, and what both would have cost. */
export function CallsLines({ calls, own }: { calls: Omit<ByCalls, 'served'> | null; own: Outcome }) {
  const settings = useSettings();
  if (!calls) return null;
  return (
    <>
      <Txt className="mt-1">{callsText(calls)}</Txt>
      <Txt className="mt-1">
        {costText(own, { seconds: calls.seconds, failed: calls.broke || !calls.off }, settings)}
      </Txt>
    </>
  );
}
