import { said } from '@/words/codes';
import Svg, { Circle, Path } from 'react-native-svg';

import { useTokens } from './theme';
import { t as tr } from '@/words/ui';

/** The part of a ring that is left, from the top clockwise. */
function sector(share: number): string {
  const s = Math.min(0.999, Math.max(0, share));
  const a = 2 * Math.PI * s;
  const [x, y] = [10 - 7.5 * Math.sin(a), 10 - 7.5 * Math.cos(a)];
  return `M10 10 L10 2.5 A7.5 7.5 0 ${s > 0.5 ? 1 : 0} 0 ${x.toFixed(2)} ${y.toFixed(2)} Z`;
}

/** State by shape first: waits, runs by itself, hands needed, done. */
export function Mark({
  state,
  size = 18,
  left,
}: {
  state: 'waits' | 'runs' | 'hands' | 'done';
  size?: number;
  /** of what runs: the share of its time that is left; it empties */
  left?: number | undefined;
}) {
  const t = useTokens();
  const names = { waits: said('waits'), runs: tr('runsByItself'), hands: tr('handsNeeded'), done: said('done') };
  return (
    <Svg width={size} height={size} viewBox="0 0 20 20" role="img" aria-label={names[state]}>
      {state === 'waits' ? (
        <Circle cx={10} cy={10} r={7.5} fill="none" stroke={t.ink} strokeWidth={2} strokeDasharray="3 2.5" />
      ) : null}
      {state === 'runs' ? (
        <>
          <Circle cx={10} cy={10} r={7.5} fill="none" stroke={t.ink} strokeWidth={2} />
          <Path d={sector(left ?? 0.5)} fill={t.ink} />
        </>
      ) : null}
      {state === 'hands' ? <Path d="M10 2 L19 18 L1 18 Z" fill={t.ink} /> : null}
      {state === 'done' ? <Path d="M3 10.5 L8 16 L17 4" fill="none" stroke={t.go} strokeWidth={3} /> : null}
    </Svg>
  );
}
