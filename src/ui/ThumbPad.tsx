import { Pressable, View } from 'react-native';

import type { Thumb } from './thumb';
import { Txt } from './Txt';
import { t } from '@/words/ui';

const rows = [
  ['1', '2', '3'],
  ['4', '5', '6'],
  ['7', '8', '9'],
  ['.', '0'],
] as const;
const names: Record<string, string> = {
  '.': 'point',
  get '⌫'() {
    return t('takeBack');
  },
  get '±'() {
    return t('plusOrMinus');
  },
};

/** Number keys for a thumb in a glove, with one that goes on. They stand where the thumb is: at the foot of the screen. */
export function ThumbPad({
  thumb,
  last,
  unit,
  signed = false,
}: {
  thumb: Thumb;
  last: string;
  unit: string;
  signed?: boolean;
}) {
  const box = 'items-center justify-center rounded-card border-[1.5px]';
  const press = (key: string) => {
    const now = thumb.text ?? '';
    if (key === '±') thumb.setText(/^[-−]/.test(now) ? now.slice(1) : `-${now}`);
    else thumb.setText(key === '⌫' ? now.slice(0, -1) : `${now}${key}`.slice(0, 8));
  };
  const keyOf = (k: string, wide = false) => (
    <Pressable
      key={k}
      role="button"
      aria-label={names[k] ?? k}
      onPress={() => press(k)}
      className={`${box} ${wide ? 'flex-[2]' : 'flex-1'} min-h-touch border-ink2 bg-paper`}
    >
      <Txt num strong size="l">
        {k}
      </Txt>
    </Pressable>
  );
  return (
    // a press must not take the focus from the field: leaving it would take in what is half typed
    <View
      role="group"
      aria-label={t('numberKeys')}
      className="gap-2"
      {...{ onMouseDown: (e: { preventDefault: () => void }) => e.preventDefault() }}
    >
      <View className="flex-row justify-between items-baseline">
        <Txt strong className="flex-1">
          {thumb.name}
        </Txt>
        <Txt num strong size="xl" tone={thumb.text ? 'ink' : 'ink2'}>
          {thumb.text || '–'} {unit}
        </Txt>
      </View>
      <View className="flex-row gap-2">
        <View className="flex-[3] gap-2">
          {rows.map((row) => (
            <View key={row[0]} className="flex-row gap-2">
              {row.map((k) => keyOf(k, k === '0' && !signed))}
              {signed && row.length === 2 ? keyOf('±') : null}
            </View>
          ))}
        </View>
        <View className="flex-1 gap-2">
          <View className="flex-row">{keyOf('⌫')}</View>
          <Pressable
            role="button"
            aria-label={last}
            onPress={() => thumb.done()}
            className={`${box} flex-1 border-ink bg-ink active:opacity-80`}
          >
            <Txt strong tone="onInk" className="text-center">
              {last}
            </Txt>
          </Pressable>
        </View>
      </View>
    </View>
  );
}
