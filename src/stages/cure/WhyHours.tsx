import { lazy, Suspense } from 'react';
import { View } from 'react-native';

import { cureClocks, steady } from '@/core/cure/laws';
import { useSettings } from '@/store/shop';
import type { JobCure } from '@/work/cure/cureJob';
import { Disclosure } from '@/ui/Disclosure';
import { Txt } from '@/ui/Txt';
import { length, span } from '@/words/units';

const CureChart = lazy(() => import('./CureChart'));

/** The curve that explains why some say six hours and others a day: it is the same glue at another width. */
export function WhyHours({ cure, now }: { cure: JobCure; now: number }) {
  const settings = useSettings();
  if (cure.kind !== 'solvent') return null;
  const full = (mm: number) => cureClocks('solvent', mm, steady(23)).full;
  return (
    <Disclosure title="Why six hours, and why a day">
      <Txt size="s" className="mb-1">
        Both are right. At 23 °C a joint {length(1, settings, 0)} wide has lost its solvent after {span(full(1).low)},
        one of {length(2, settings, 0)} after {span(full(2).low)}: twice as wide, four times as long. If only the outer
        edge breathes it takes {span(full(1).high)} and {span(full(2).high)}. The last fifth takes as long as all before
        it.
      </Txt>
      <Suspense fallback={<View style={{ height: 190 }} />}>
        <CureChart cure={cure} now={now} width={326} />
      </Suspense>
    </Disclosure>
  );
}
