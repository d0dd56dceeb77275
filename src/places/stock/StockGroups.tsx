import { Fragment, type ReactNode } from 'react';
import { Pressable, View } from 'react-native';

import { MasterDetail, useMaster } from '@/bench-kit/MasterDetail';
import { StartsOpen } from '@/ui/Disclosure';
import { Txt } from '@/ui/Txt';
import { t } from '@/words/stock';

export interface StockGroup {
  id: string;
  title: string;
  node: ReactNode;
}

/** All of the stock under each other; on a wide screen the kinds as a list, and the chosen one beside it. */
export function StockGroups({ groups }: { groups: readonly StockGroup[] }) {
  const master = useMaster(groups.map((g) => g.id));
  if (!master.wide) return groups.map((g) => <Fragment key={g.id}>{g.node}</Fragment>);
  return (
    <MasterDetail
      label={t('chosenKind')}
      list={
        <View role="list">
          {groups.map((g) => (
            <View key={g.id} role="listitem">
              <Pressable
                role="button"
                aria-label={g.title}
                aria-current={g.id === master.chosen ? 'true' : undefined}
                onPress={() => master.choose(g.id)}
                className={`min-h-touch justify-center border-b border-rule ${g.id === master.chosen ? 'bg-panel border-l-4 border-l-ink pl-2' : 'pl-3'}`}
              >
                <Txt strong={g.id === master.chosen}>{g.title}</Txt>
              </Pressable>
            </View>
          ))}
        </View>
      }
      detail={
        <StartsOpen.Provider key={master.chosen} value>
          {groups.find((g) => g.id === master.chosen)?.node}
        </StartsOpen.Provider>
      }
    />
  );
}
