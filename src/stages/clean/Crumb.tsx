import { useState } from 'react';

import { crumbState, type CrumbInput } from '@/core/clean/crumb';
import { Disclosure } from '@/ui/Disclosure';
import { NumberField } from '@/ui/NumberField';
import { Txt } from '@/ui/Txt';
import { digits as inDigits, length, lengthValue, typedToMm } from '@/words/units';
import { t } from '@/words/clean';

/** What one crumb of a given height does to the glass over it. */
export function Crumb({ input, units }: { input: CrumbInput; units: Parameters<typeof length>[1] }) {
  const [mm, setMm] = useState(0.2);
  const s = crumbState(input, mm);
  return (
    <Disclosure title={t('aCrumbThatStayed')}>
      <NumberField
        label={t('heightOfTheCrumb')}
        unit={units.length}
        low={lengthValue(0.02, units, 2)}
        high={lengthValue(2, units, 2)}
        digits={units.length === 'mm' ? 2 : 3}
        value={lengthValue(mm, units, 2)}
        onCommit={(v) => setMm(typedToMm(v, units))}
      />
      <Txt size="s" testID="crumb">
        {s.liftMm <= 0
          ? t('itDisappearsInTheJointNo')
          : s.cracks
            ? t('itLiftsTheGlassByMpa', {
                liftMm: length(s.liftMm, units, 2),
                stressMPa: Math.round(s.stressMPa),
                lastingMPa: Math.round(s.lastingMPa),
              })
            : t('itLiftsTheGlassByMpa2', {
                liftMm: length(s.liftMm, units, 2),
                stressMPa: Math.round(s.stressMPa),
                lastingMPa: Math.round(s.lastingMPa),
                figure: inDigits(s.margin, 1),
              })}
      </Txt>
    </Disclosure>
  );
}
