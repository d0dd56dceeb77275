import Svg, { Circle, G, Line, Rect, Text } from 'react-native-svg';

import { useTokens } from '@/ui/theme';
import { StripSlider } from './StripSlider';
import { t as tr } from '@/words/practice';

const height = 108;

export interface PickStripProps {
  label: string;
  width: number;
  /** what the strip spans across, mm in from the cover's edge */
  deepestMm: number;
  /** of the edge */
  fromMm: number;
  toMm: number;
  cut: readonly { fromMm: number; toMm: number }[];
  /** what the calls say: least and deepest; null: they are not told */
  needMm: number | null;
  limitMm: number | null;
  closed: readonly { fromMm: number; toMm: number }[];
  /** the pick as it stands */
  pick: { sMm: number; depthMm: number } | null;
  /** moved to a place at a depth; called while a finger moves and with each key */
  onMove: (sMm: number, depthMm: number, phase: 'start' | 'move' | 'end') => void;
}

/** An edge laid out flat: along it the way, down from it how deep the pick is. A finger drags the pick, or the arrow keys do. */
export function PickStrip(p: PickStripProps) {
  const { width, fromMm, toMm, deepestMm } = p;
  const X = (s: number) => 8 + ((s - fromMm) / (toMm - fromMm)) * (width - 16);
  const Y = (d: number) => 10 + (d / deepestMm) * (height - 20);
  const pick = p.pick ?? { sMm: (fromMm + toMm) / 2, depthMm: 0 };
  return (
    <StripSlider
      {...p}
      at={pick}
      height={height}
      keyMm={1}
      text={tr('pickStands', { s: Math.round(pick.sMm - fromMm), depth: pick.depthMm.toFixed(1) })}
    >
      {(held) => <StripPicture p={p} pick={pick} held={held} X={X} Y={Y} />}
    </StripSlider>
  );
}

interface Picture {
  p: PickStripProps;
  pick: { sMm: number; depthMm: number };
  held: boolean;
  X: (sMm: number) => number;
  Y: (depthMm: number) => number;
}

/** The edge as it is cut, what is shut, how deep is enough and too deep, and the pick. */
function StripPicture({ p, pick, held, X, Y }: Picture) {
  const c = useTokens();
  const { width, fromMm, toMm, deepestMm } = p;
  return (
    <Svg width={width} height={height} aria-hidden pointerEvents="none">
      <Rect x={8} y={Y(0)} width={width - 16} height={Y(deepestMm) - Y(0)} fill={c.device} stroke={c.ink} />
      {p.cut.map((f, i) => (
        <Rect
          key={i}
          x={X(Math.max(fromMm, f.fromMm))}
          y={Y(0)}
          width={Math.max(0, X(Math.min(toMm, f.toMm)) - X(Math.max(fromMm, f.fromMm)))}
          height={8}
          fill={c.go}
        />
      ))}
      {p.closed.map((f, i) => (
        <Rect
          key={i}
          x={X(f.fromMm)}
          y={Y(0)}
          width={Math.max(2, X(f.toMm) - X(f.fromMm))}
          height={Y(deepestMm) - Y(0)}
          fill="none"
          stroke={c.caution}
          strokeDasharray="4 3"
        />
      ))}
      {p.needMm === null ? null : (
        <Line x1={8} x2={width - 8} y1={Y(p.needMm)} y2={Y(p.needMm)} stroke={c.ink} strokeDasharray="2 3" />
      )}
      {p.limitMm === null || p.limitMm > deepestMm ? null : (
        <G>
          <Line x1={8} x2={width - 8} y1={Y(p.limitMm)} y2={Y(p.limitMm)} stroke={c.caution} strokeWidth={1.5} />
          <Text x={12} y={Y(p.limitMm) + 14} fontSize={13} fontFamily="Next_400" fill={c.caution}>
            {tr('noDeeper')}
          </Text>
        </G>
      )}
      <Line x1={X(pick.sMm)} x2={X(pick.sMm)} y1={Y(0) - 8} y2={Y(pick.depthMm)} stroke={c.ink} strokeWidth={5} />
      <Circle
        cx={X(pick.sMm)}
        cy={Y(pick.depthMm)}
        r={held ? 12 : 9}
        fill={held ? c.ink : c.panel}
        stroke={c.ink}
        strokeWidth={2}
      />
    </Svg>
  );
}
