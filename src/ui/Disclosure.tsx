import { useState, type ReactNode } from 'react';
import { Pressable, View } from 'react-native';

import { Txt } from './Txt';

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
  const [shown, setShown] = useState(open);
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
      {shown ? <View className="pb-3">{children}</View> : null}
    </View>
  );
}
