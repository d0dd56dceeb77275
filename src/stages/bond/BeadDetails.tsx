import { Link, type Href } from 'expo-router';
import { View } from 'react-native';

import { type BeadDetailsProps } from './useBeadDetails';
import { useBeadDetails } from './useBeadDetails';
import { BeadSettings, BondingMethodSettings, BeadNumbers } from './BeadDetailsParts';
import { t } from '@/words/bond';

/** What a bead is set to, and what follows from it. */
export function BeadDetails(p: BeadDetailsProps) {
  const here = useBeadDetails(p);
  return (
    <View className="mt-2 border-t border-rule pt-2">
      <BeadSettings here={here} />
      <BondingMethodSettings here={here} />
      <BeadNumbers here={here} />
      <Link href={'/stock' as Href} className="font-body text-m text-ink underline py-3">
        {t('stockLiquidsTubesDates')}
      </Link>
    </View>
  );
}
