import { View } from 'react-native';

import { Txt } from '@/ui/Txt';
import type { UntilBar } from './untilBar';

const fills = { careful: 'bg-ink', usual: 'bg-rule', full: '' };

/** What may be done when, as a bar of time: on the screen and on paper. */
export function UntilBarView({ bar }: { bar: UntilBar }) {
  return (
    <View role="img" aria-label={bar.said} className="my-2" testID="untilBar">
      <View className="flex-row">
        {bar.parts.map((p) => (
          <View
            key={p.kind}
            style={{ width: `${p.share * 100}%` }}
            className={`border border-ink px-2 py-1 ${fills[p.kind]}`}
          >
            <Txt size="s" tone={p.kind === 'careful' ? 'onInk' : 'ink'}>
              {p.text}
            </Txt>
          </View>
        ))}
      </View>
      <View className="flex-row">
        {bar.parts.map((p) => (
          <View key={p.kind} style={{ width: `${p.share * 100}%` }} className="items-end">
            {p.until ? (
              <Txt size="s" num className="text-right">
                {p.until}
              </Txt>
            ) : null}
          </View>
        ))}
      </View>
    </View>
  );
}
