import { View } from 'react-native';

import { Entry } from '@/bench-kit/Why';
import { NumberField } from '@/ui/NumberField';
import { Txt } from '@/ui/Txt';
import { t } from '@/words/intake';
import type { IntoStockState } from './useIntoStock';

/** What came with it goes into stock as a lot of its own. */
export function IntoStock({ here: { part, have, qty, setQty, lot, setLot, noRoom } }: { here: IntoStockState }) {
  return part ? (
    <View className="mb-3" testID="intoStock">
      <Txt strong className="mb-1">
        {t('fromThisDelivery')}
      </Txt>
      <Txt size="s" tone="ink2" className="mb-1">
        {t('onTheShelfNow', { count: have })}
      </Txt>
      <NumberField label={t('piecesIntoStock')} unit="" low={0} high={1000} value={qty} onCommit={setQty} />
      {qty > 0 ? <Entry label={t('lotOrPacket')} value={lot} onChange={setLot} max={60} /> : null}
      {noRoom ? (
        <Txt size="s" tone="caution">
          {t('stockNotSaved')}
        </Txt>
      ) : null}
    </View>
  ) : null;
}
