import { objectionsText } from './holdWords';
import { View } from 'react-native';

import { useSettings } from '@/store/shop';
import { Choice } from '@/ui/Choice';
import { Txt } from '@/ui/Txt';
import { holdText } from './cureCall';
import type { HoldWay } from '@/work/cure/holdWays';
import { t } from '@/words/cure';
import { told } from '@/words/told';

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
        label={t('heldBy')}
        value={way.id}
        options={ways.map((w) => ({ id: w.id, name: w.clips ? t('clipsOf', { name: w.name }) : told(w.name) }))}
        onChange={onWay}
        hint={t('numberAndForceGoTogetherFew')}
      />
      {ways.map((w) => (
        <Txt
          key={w.id}
          size="s"
          tone={w.against.length ? 'ink2' : 'ink'}
          className="mb-1"
        >{`${holdText(w, settings).sentence}${w.against.length ? ` ${t('againstIt', { list: objectionsText(w.against) })}` : ''}`}</Txt>
      ))}
      <Txt size="s" tone="ink2">
        {t('hatchedOnThePlanNotPressed')}
      </Txt>
    </View>
  );
}
