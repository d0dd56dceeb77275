import { View } from 'react-native';
import Svg, { Circle, Line, Path, Rect } from 'react-native-svg';

import type { Construction } from '@/core/device/types';
import { useTokens } from '@/ui/theme';

/** How a cover is held, as a cut through its edge: cover on top, glue in colour, frame under it. Said by its name beside it. */
export function HoldPicture({ kind, on }: { kind: Construction; on: boolean }) {
  const c = useTokens();
  const ink = on ? c.panel : c.ink;
  const glue = on ? c.paper : c.caution;
  const frame = <Path d="M6 26 V40 H66 V26" fill="none" stroke={ink} strokeWidth={2.5} />;
  const cover = <Rect x={6} y={14} width={60} height={6} fill="none" stroke={ink} strokeWidth={2} />;
  const ends = (
    <>
      <Rect x={7} y={21} width={9} height={4} fill={glue} />
      <Rect x={56} y={21} width={9} height={4} fill={glue} />
    </>
  );
  return (
    <View aria-hidden>
      <Svg width={72} height={46} viewBox="0 0 72 46" pointerEvents="none">
        {frame}
        {kind === 'ringGlass' ? (
          <>
            {cover}
            <Line x1={20} y1={15} x2={28} y2={19} stroke={ink} strokeWidth={1.2} />
            <Line x1={40} y1={15} x2={48} y2={19} stroke={ink} strokeWidth={1.2} />
            {ends}
          </>
        ) : kind === 'ringPlastic' ? (
          <>
            <Path d="M6 20 Q36 6 66 20" fill="none" stroke={ink} strokeWidth={5} />
            {ends}
          </>
        ) : kind === 'fullGlass' ? (
          <>
            {cover}
            <Rect x={7} y={21} width={58} height={4} fill={glue} />
          </>
        ) : kind === 'clipped' ? (
          <>
            {cover}
            <Path d="M12 20 V30 L17 26 M60 20 V30 L55 26" fill="none" stroke={ink} strokeWidth={2.5} />
          </>
        ) : kind === 'lensInRing' ? (
          <>
            {cover}
            {[22, 50].map((x) => (
              <Circle key={x} cx={x} cy={11} r={7} fill={on ? c.ink : c.panel} stroke={glue} strokeWidth={3} />
            ))}
          </>
        ) : (
          <>
            {cover}
            <Rect x={14} y={5} width={44} height={9} fill="none" stroke={ink} strokeWidth={3} />
            <Rect x={18} y={8} width={36} height={3} fill={glue} />
          </>
        )}
      </Svg>
    </View>
  );
}
