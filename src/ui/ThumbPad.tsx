import { Pressable, View } from 'react-native';

import { Txt } from './Txt';

const rows = [
  ['1', '2', '3'],
  ['4', '5', '6'],
  ['7', '8', '9'],
  ['.', '0', '⌫'],
] as const;
const names: Record<string, string> = { '.': 'point', '⌫': 'take back' };

/** Number keys of 52 px for a thumb in a glove, with one that goes on. */
export function ThumbPad({ last, onKey, onDone }: { last: string; onKey: (key: string) => void; onDone: () => void }) {
  const key = 'flex-1 min-h-[52px] items-center justify-center rounded-[6px] border-[1.5px] border-ink2 bg-panel';
  return (
    // a press must not take the focus from the field: leaving it would take in what is half typed
    <View
      role="group"
      aria-label="Number keys"
      className="mt-2 gap-2"
      {...{ onMouseDown: (e: { preventDefault: () => void }) => e.preventDefault() }}
    >
      {rows.map((row) => (
        <View key={row[0]} className="flex-row gap-2">
          {row.map((k) => (
            <Pressable key={k} role="button" aria-label={names[k] ?? k} onPress={() => onKey(k)} className={key}>
              <Txt num strong size="l">
                {k}
              </Txt>
            </Pressable>
          ))}
        </View>
      ))}
      <Pressable
        role="button"
        aria-label={last}
        onPress={onDone}
        className="min-h-[52px] items-center justify-center rounded-[6px] border-[1.5px] border-ink bg-panel"
      >
        <Txt strong size="l">
          {last}
        </Txt>
      </Pressable>
    </View>
  );
}
