import { View } from 'react-native';

import { Button } from '@/ui/Button';
import { type Told } from '@/ui/Message';
import { Backup } from './Backup';
import { EarlierSettings, RestoreOffer } from './RestoreParts';
import { useRestore } from './useRestore';
import { t } from '@/words/shop';

/** A file is read as a whole, what it would do is said, and only then is it taken in. Nothing here is ever taken away. */
export function Restore(p: { tell: (m: Told) => void }) {
  const here = useRestore(p);
  const { open, reading } = here;
  return (
    <View>
      <Button label={t('importAFile')} onPress={() => void open()} />
      {reading.view}
      <Backup onOpen={open} />
      <RestoreOffer here={here} />
      <EarlierSettings here={here} />
    </View>
  );
}
