import { useState, type ComponentProps } from 'react';
import { View } from 'react-native';

import { PhotoLayer, type PlanPhoto } from '@/ui/plan/PhotoLayer';
import { RangeInput } from '@/ui/RangeInput';
import { Txt } from '@/ui/Txt';
import { t } from '@/words/kit';
import { percent } from '@/words/units';
import { PlainPlan } from './PlainPlan';
import { useUnder } from './useUnder';

/** How strongly a photo shows under the lines of a plan. */
export function PhotoStrength({ value, onChange }: { value: number; onChange: (v: number) => void }) {
  return (
    <View className="no-print" style={{ maxWidth: 420 }}>
      <Txt size="s">{t('photoUnderThePlan')}</Txt>
      <RangeInput
        label={t('photoUnderThePlan')}
        valueText={percent(value)}
        low={0}
        high={1}
        step={0.1}
        value={value}
        onChange={onChange}
      />
    </View>
  );
}

/** What a photo under a plan is drawn with, and set with. */
export function usePhotoStrength(photo: PlanPhoto | null) {
  const [strength, setStrength] = useState(0.7);
  return {
    layer: photo ? <PhotoLayer photo={photo} strength={strength} /> : null,
    control: photo ? <PhotoStrength value={strength} onChange={setStrength} /> : null,
  };
}

/** The plan of a job over its own photo, where there is one: of the cover from outside, or of what is behind it. */
export function PhotoPlan({ inside, ...p }: ComponentProps<typeof PlainPlan> & { inside: boolean }) {
  const photo = useUnder(p.job.model, p.job.face, inside, p.job);
  const { layer, control } = usePhotoStrength(photo);
  return (
    <View>
      <PlainPlan {...p} under={layer} />
      {control}
    </View>
  );
}
