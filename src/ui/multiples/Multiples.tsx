import type { ReactNode } from 'react';
import { Pressable, ScrollView, useWindowDimensions, View } from 'react-native';

import { Txt } from '../Txt';
import { useWide } from '../useWide';

/** Width of one small picture on a wide screen, px; on a phone two stand beside each other. */
const wideCard = 196;
const gap = 12;

/** Width of a card's inside, px. */
export function useCardRoom(): number {
  const { width } = useWindowDimensions();
  return (useWide() ? wideCard : (width - 32 - gap) / 2) - 22;
}

/**
 * The same picture of each of a few ways, beside each other and to the same scales: all at once on a wide screen, two at a
 * time on a phone, swiped sideways.
 */
export function Multiples({
  label,
  children,
  pick = true,
}: {
  label: string;
  children: ReactNode;
  /** one of them can be taken; otherwise they are only looked at */
  pick?: boolean;
}) {
  const wide = useWide();
  const role = { role: pick ? ('radiogroup' as const) : ('group' as const), 'aria-label': label };
  return wide ? (
    <View {...role} className="flex-row flex-wrap my-3" style={{ gap }}>
      {children}
    </View>
  ) : (
    <ScrollView
      horizontal
      // keys scroll it where nothing in it takes the focus
      {...(pick ? {} : { tabIndex: 0 as const })}
      className="my-3 -mx-4"
      contentContainerClassName="px-4"
      showsHorizontalScrollIndicator
      style={{ scrollSnapType: 'x proximity', scrollPaddingLeft: 16, overflowAnchor: 'none' } as object}
    >
      <View {...role} className="flex-row pb-2" style={{ gap }}>
        {children}
      </View>
    </ScrollView>
  );
}

interface MultipleCardProps {
  /** what is read out for it */
  label: string;
  title: string;
  /** under the title */
  note?: string;
  on: boolean;
  /** nothing to take: only looked at */
  onPress?: (() => void) | undefined;
  disabled?: boolean;
  children: ReactNode;
}

/** One of them; the chosen one has a thick frame and a tick, so that nothing hangs on colour. */
export function MultipleCard({ label, title, note, on, onPress, disabled = false, children }: MultipleCardProps) {
  const { width } = useWindowDimensions();
  const wide = useWide();
  const room = { width: wide ? wideCard : (width - 32 - gap) / 2, scrollSnapAlign: 'start' } as object;
  const frame = `rounded-card bg-panel ${on ? 'border-[3px] border-ink p-2' : 'border border-ink2 p-2'}`;
  const inside = (
    <>
      <Txt strong>{on ? `✓ ${title}` : title}</Txt>
      {note ? (
        <Txt size="s" tone="ink2">
          {note}
        </Txt>
      ) : null}
      {children}
    </>
  );
  return onPress ? (
    <Pressable
      role="radio"
      aria-checked={on}
      aria-label={label}
      aria-disabled={disabled}
      onPress={disabled ? undefined : onPress}
      className={frame}
      style={room}
    >
      {inside}
    </Pressable>
  ) : (
    <View role="group" aria-label={label} className={frame} style={room}>
      {inside}
    </View>
  );
}
