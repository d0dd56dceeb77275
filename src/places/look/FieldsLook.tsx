import { useState } from 'react';

import { Choice, Tick } from '@/ui/Choice';
import { DateTimeField } from '@/ui/DateTimeField';
import { NumberField } from '@/ui/NumberField';
import { LengthField, TempField } from '@/ui/QuantityField';
import { RangeInput } from '@/ui/RangeInput';
import { TextBox } from '@/ui/TextBox';
import { TimeField } from '@/ui/TimeField';
import { Group } from './Group';

const at = new Date(2026, 3, 14, 11, 40).getTime();
const units = { temperature: 'C', length: 'mm' } as const;
const nothing = () => {};

/** What is chosen, ticked, typed and dragged. */
export function FieldsLook({ scheme }: { scheme: string }) {
  const [pick, setPick] = useState('b');
  const [on, setOn] = useState(true);
  return (
    <>
      <Group name="Choice, Tick">
        <Choice
          label={`Pick ${scheme}`}
          value={pick}
          options={[
            { id: 'a', name: '0.3 mm' },
            { id: 'b', name: '0.5 mm' },
            { id: 'c', name: '0.8 mm' },
          ]}
          onChange={setPick}
          hint="A thicker one waits less."
        />
        <Tick label={`Tray out ${scheme}`} note="with its card" on={on} onChange={setOn} />
        <Tick label={`Asked ${scheme}`} on={false} onChange={nothing} asked />
      </Group>
      <Group name="Fields">
        <NumberField label={`Set ${scheme}`} unit="°C" low={50} high={200} value={110} onCommit={nothing} />
        <LengthField label={`Gap ${scheme}`} units={units} lowMm={0} highMm={2} valueMm={0.12} onMm={nothing} />
        <TempField label={`Room ${scheme}`} units={units} lowC={5} highC={40} valueC={22} onC={nothing} />
        <TimeField label={`Promised ${scheme}`} value={at} onCommit={nothing} />
        <DateTimeField
          label={`Part comes ${scheme}`}
          value={at}
          now={at}
          from={at - 864e5}
          to={at + 864e5}
          onCommit={nothing}
        />
        <TextBox aria-label={`Search ${scheme}`} placeholder="label, device, stage" />
        <TextBox aria-label={`Wrong ${scheme}`} value="900" bad num />
        <RangeInput
          label={`Dial ${scheme}`}
          valueText="110 °C"
          low={50}
          high={200}
          step={5}
          value={110}
          onChange={nothing}
        />
      </Group>
    </>
  );
}
