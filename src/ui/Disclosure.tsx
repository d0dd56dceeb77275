import { useState, type ReactNode } from 'react';
import { Pressable, View } from 'react-native';

import { Txt } from './Txt';

/** Waits behind a line until somebody asks. */
export function Disclosure({ title, children, open = false }: { title: string; children: ReactNode; open?: boolean }) {
  const [shown, setShown] = useState(open);
  return (
    <View className="border-t border-rule">
      <Pressable
        role="button"
        aria-expanded={shown}
        aria-label={title}
        onPress={() => setShown(!shown)}
        className="min-h-touch flex-row items-center justify-between"
      >
        <Txt strong>{title}</Txt>
        <Txt num tone="ink2">
          {shown ? '−' : '+'}
        </Txt>
      </Pressable>
      {shown ? <View className="pb-3">{children}</View> : null}
    </View>
  );
}
