import { View } from 'react-native';

import { useSettings } from '@/store/shop';
import { Choice } from '@/ui/Choice';
import { Txt } from '@/ui/Txt';
import { holdText } from './cureCall';
import type { HoldWay } from '@/work/cure/holdWays';

interface HoldChoiceProps {
  ways: readonly HoldWay[];
  way: HoldWay;
  onWay: (id: string) => void;
}

/** What may hold it, side by side with what speaks against each. */
export function HoldChoice({ ways, way, onWay }: HoldChoiceProps) {
  const settings = useSettings();
  return (
    <View className="mt-2">
      <Choice
        label="Held by"
        value={way.id}
        options={ways.map((w) => ({ id: w.id, name: w.clips ? `${w.name}s` : w.name }))}
        onChange={onWay}
        hint="Number and force are solved together: few strong clips lift between, many strong ones press too hard."
      />
      {ways.map((w) => (
        <Txt key={w.id} size="s" tone={w.against.length ? 'ink2' : 'ink'} className="mb-1">
          {holdText(w, settings).sentence}
          {w.against.length ? ` Against it: ${w.against.join(', ')}.` : ''}
        </Txt>
      ))}
      <Txt size="s" tone="ink2">
        Hatched on the plan: not pressed. Rubber bands hold a plastic cover; their force is not known, so no clock hangs
        on them.
      </Txt>
    </View>
  );
}
