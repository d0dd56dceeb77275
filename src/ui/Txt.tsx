import { Text, type TextProps } from 'react-native';

type Size = 's' | 'm' | 'l' | 'xl' | 'huge';

export interface TxtProps extends TextProps {
  size?: Size;
  strong?: boolean;
  /** digits that change: the mono face, so that nothing jumps */
  num?: boolean;
  tone?: 'ink' | 'ink2' | 'caution' | 'go' | 'onInk';
  level?: 1 | 2 | 3;
}

const tones = { ink: 'text-ink', ink2: 'text-ink2', caution: 'text-caution', go: 'text-go', onInk: 'text-onInk' };
const sizes = { s: 'text-s', m: 'text-m', l: 'text-l', xl: 'text-xl', huge: 'text-huge' };

/** All text of the app. With `level` it is a heading. */
export function Txt({ size = 'm', strong, num, tone = 'ink', level, className = '', ...rest }: TxtProps) {
  const face = num ? (strong ? 'font-numStrong' : 'font-num') : strong ? 'font-strong' : 'font-body';
  return (
    <Text
      {...rest}
      {...(level ? { role: 'heading', 'aria-level': level } : {})}
      className={`${face} ${sizes[size]} ${tones[tone]} ${className}`}
    />
  );
}
