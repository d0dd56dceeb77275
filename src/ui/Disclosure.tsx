import { createContext, useContext, useState, type ReactNode } from 'react';
import { Pressable, View } from 'react-native';

import { Txt } from './Txt';

/** What was chosen beside a list is not asked for once more: the lines right under this are open from the start. */
export const StartsOpen = createContext(false);

/** Waits behind a line until somebody asks. */
export function Disclosure({
  title,
  children,
  open = false,
  bare = false,
  tone = 'ink',
}: {
  title: string;
  children: ReactNode;
  open?: boolean;
  /** in a box of its own: no line above it */
  bare?: boolean;
  tone?: 'ink' | 'caution';
}) {
  const [shown, setShown] = useState(useContext(StartsOpen) || open);
  return (
    <View className={bare ? '' : 'border-t border-rule'}>
      <Pressable
        role="button"
        aria-expanded={shown}
        aria-label={title}
        onPress={() => setShown(!shown)}
        className="min-h-touch flex-row items-center justify-between"
      >
        <Txt strong tone={tone} className="flex-1 py-2">
          {title}
        </Txt>
        <Txt num tone="ink2">
          {shown ? '−' : '+'}
        </Txt>
      </Pressable>
      {shown ? (
        <StartsOpen.Provider value={false}>
          <View className="pb-3">{children}</View>
        </StartsOpen.Provider>
      ) : null}
    </View>
  );
}
