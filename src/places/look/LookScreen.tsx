import { ScrollView, View } from 'react-native';

import { InScheme, type Scheme } from '@/ui/theme';
import { Txt } from '@/ui/Txt';
import { useWide } from '@/ui/useWide';
import { ChartsLook } from './ChartsLook';
import { FieldsLook } from './FieldsLook';
import { PlanLook } from './PlanLook';
import { TextLook } from './TextLook';

/**
 * Every component in both schemes, with figures that never change: for who builds them, linked from nowhere. A test takes
 * its picture at two sizes and compares it with the one before.
 */
export function LookScreen() {
  const wide = useWide();
  return (
    <ScrollView className="flex-1 bg-paper" role="main">
      <View testID="look" className={wide ? 'flex-row' : ''}>
        {(['light', 'dark'] as const).map((s) => (
          <InOne key={s} scheme={s} />
        ))}
      </View>
    </ScrollView>
  );
}

function InOne({ scheme }: { scheme: Scheme }) {
  return (
    <InScheme value={scheme}>
      <View className={`${scheme} bg-paper flex-1 p-4`} role="region" aria-label={scheme}>
        <Txt strong size="l" level={1}>
          {scheme}
        </Txt>
        <TextLook />
        <FieldsLook scheme={scheme} />
        <PlanLook />
        <ChartsLook />
      </View>
    </InScheme>
  );
}
