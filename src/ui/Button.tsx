import { useEffect, useRef, useState } from 'react';
import { Pressable, View } from 'react-native';

import { mainMark } from './mainButton';
import { leadToMissing } from './missing';
import { Txt } from './Txt';
import { t } from '@/words/ui';

interface ButtonProps {
  label: string;
  onPress: () => void;
  kind?: 'main' | 'side' | 'small';
  disabled?: boolean;
  /** why it is disabled, read out and shown under the label */
  why?: string;
  testID?: string;
  /** read out in place of the label where that alone says too little; the label is part of it */
  say?: string;
  /** a running clock under the label: seen, not part of its name */
  clock?: string | null;
  /** what a press stands for: where that changed under the finger, between down and up, nothing happens */
  means?: string;
  /** moves the work on, as the main button does: the page goes to its top */
  onward?: boolean;
}

/** Verbs on buttons; main and side ones are 56 px high. */
export function Button({
  label,
  onPress,
  kind = 'side',
  disabled,
  why,
  testID,
  say = label,
  clock,
  means,
  onward = false,
}: ButtonProps) {
  const meant = useRef<string | undefined>(undefined);
  const high = { small: 'min-h-touch', side: 'min-h-line', main: 'min-h-main' }[kind];
  // what cannot be pressed has no body: an outline in dashes, on the page's own ground
  const fill = disabled
    ? 'bg-paper border-dashed border-ink2'
    : `${kind === 'main' ? 'bg-ink' : 'bg-panel'} border-ink`;
  const onMain = kind === 'main' && !disabled;
  const button = (
    <Pressable
      {...mainMark(kind === 'main', false, onward)}
      role="button"
      testID={testID}
      aria-label={why && disabled ? `${say}: ${why}` : say}
      aria-disabled={disabled}
      disabled={disabled}
      onPressIn={() => (meant.current = means)}
      onPress={() => {
        const moved = meant.current !== undefined && meant.current !== means;
        meant.current = undefined;
        if (!moved) onPress();
      }}
      className={`rounded-card px-3 items-center justify-center border-[1.5px] ${high} ${fill} ${disabled ? '' : 'active:opacity-80'}`}
    >
      <Txt
        strong
        size={kind === 'main' ? 'l' : 'm'}
        tone={onMain ? 'onInk' : disabled ? 'ink2' : 'ink'}
        className="text-center"
      >
        {label}
      </Txt>
      {clock && !disabled ? (
        <Txt num strong tone={onMain ? 'onInk' : 'ink'} className="text-center">
          {clock}
        </Txt>
      ) : null}
      {why && disabled ? (
        <Txt size="s" className="text-center">
          {why}
        </Txt>
      ) : null}
    </Pressable>
  );
  if (!disabled || !why) return button;
  // one that waits for an answer leads to it: the tap falls through to what is round it
  return <View {...({ onClick: () => void leadToMissing() } as object)}>{button}</View>;
}

const holdMs = 900;

/** For what cannot be undone at the bench: held, not tapped. Keyboard: Enter or Space held does the same. */
export function HoldButton({ label, onPress, kind = 'main', disabled, why }: ButtonProps) {
  const [share, setShare] = useState(0);
  const timer = useRef<ReturnType<typeof setInterval> | null>(null);
  const stop = () => {
    if (timer.current) clearInterval(timer.current);
    timer.current = null;
    setShare(0);
  };
  useEffect(() => stop, []);
  const begin = () => {
    if (disabled || timer.current) return;
    const began = Date.now();
    timer.current = setInterval(() => {
      const s = (Date.now() - began) / holdMs;
      if (s >= 1) {
        stop();
        onPress();
      } else setShare(s);
    }, 50);
  };
  const keys = {
    onKeyDown: (e: { key: string }) => (e.key === 'Enter' || e.key === ' ') && begin(),
    onKeyUp: stop,
  };
  return (
    <Pressable
      {...mainMark(kind === 'main', true)}
      role="button"
      aria-label={why && disabled ? t('hold', { label, why }) : t('hold2', { label })}
      aria-disabled={disabled}
      disabled={disabled}
      onPressIn={begin}
      onPressOut={stop}
      {...keys}
      className={`${kind === 'main' ? 'min-h-main' : 'min-h-line'} rounded-card px-3 items-center justify-center border-[1.5px] overflow-hidden ${disabled ? 'bg-paper border-dashed border-ink2' : `border-ink ${kind === 'main' ? 'bg-ink' : 'bg-panel'}`}`}
    >
      <View className="absolute left-0 top-0 bottom-0 bg-go opacity-50" style={{ width: `${share * 100}%` }} />
      <Txt
        strong
        size={kind === 'main' ? 'l' : 'm'}
        tone={disabled ? 'ink2' : kind === 'main' ? 'onInk' : 'ink'}
        className="text-center"
      >
        {label}
      </Txt>
      <Txt size="s" tone={disabled ? 'ink' : kind === 'main' ? 'onInk' : 'ink2'} className="text-center">
        {disabled && why ? why : t('holdIt')}
      </Txt>
    </Pressable>
  );
}
