import { useState, type ReactNode } from 'react';
import { View } from 'react-native';

import { Button } from './Button';
import { Txt } from './Txt';
import { t } from '@/words/ui';

interface MoreListProps<T> {
  items: readonly T[];
  /** shown at once, and with every press */
  first: number;
  step: number;
  /** said when there is nothing */
  none?: string;
  children: (item: T) => ReactNode;
}

/** A list that begins with some and shows more when asked. */
export function MoreList<T>({ items, first, step, none, children }: MoreListProps<T>) {
  const [most, setMost] = useState(first);
  return (
    <>
      {items.slice(0, most).map(children)}
      {items.length > most ? (
        <View className="mt-3 self-start">
          <Button
            kind="small"
            label={t('more', { length: items.length - most })}
            onPress={() => setMost(most + step)}
          />
        </View>
      ) : null}
      {items.length || !none ? null : <Txt tone="ink2">{none}</Txt>}
    </>
  );
}
