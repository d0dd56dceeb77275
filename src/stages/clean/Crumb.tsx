import { useState } from 'react';

import { crumbState, type CrumbInput } from '@/core/clean/crumb';
import { Disclosure } from '@/ui/Disclosure';
import { NumberField } from '@/ui/NumberField';
import { Txt } from '@/ui/Txt';
import { length, lengthNumber, typedToMm } from '@/words/units';

/** What one crumb of a given height does to the glass over it. */
export function Crumb({ input, units }: { input: CrumbInput; units: Parameters<typeof length>[1] }) {
  const [mm, setMm] = useState(0.2);
  const s = crumbState(input, mm);
  return (
    <Disclosure title="A crumb that stayed">
      <NumberField
        label="Height of the crumb"
        unit={units.length}
        low={Number(lengthNumber(0.02, units, 2))}
        high={Number(lengthNumber(2, units, 2))}
        digits={units.length === 'mm' ? 2 : 3}
        value={Number(lengthNumber(mm, units, 2))}
        onCommit={(v) => setMm(typedToMm(v, units))}
      />
      <Txt size="s" testID="crumb">
        {s.liftMm <= 0
          ? 'It disappears in the joint: no stress from it.'
          : `It lifts the glass by ${length(s.liftMm, units, 2)}: ${Math.round(s.stressMPa)} MPa against ${Math.round(s.lastingMPa)} MPa that the edge holds for months${s.cracks ? '. The glass cracks there' : `, margin ${s.margin.toFixed(1)}`}.`}
      </Txt>
    </Disclosure>
  );
}
