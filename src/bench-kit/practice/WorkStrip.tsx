import Svg, { Circle, G, Line, Rect, Text } from 'react-native-svg';

import { useTokens } from '@/ui/theme';
import { t } from '@/words/practice';
import { StripSlider } from './StripSlider';

const height = 92;
/** How much of the strip's height is one share. */
const full = 2;

export interface StripCell {
  fromMm: number;
  toMm: number;
  /** what stands on it, as a share of what is meant or was there */
  share: number;
  /** what only the lamp shows */
  film: number;
  dryOnly: boolean;
}

interface WorkStripProps {
  label: string;
  width: number;
  fromMm: number;
  toMm: number;
  cells: readonly StripCell[];
  crumbs: readonly number[];
  /** draws where as much as is meant would stand */
  meant: boolean;
  at: number;
  keyMm: number;
  onMove: (sMm: number, depthMm: number, phase: 'start' | 'move' | 'end') => void;
}

/** The ledge of an edge laid out flat, with what is on it; a finger or the arrows move what is in the hand along it. */
export function WorkStrip(p: WorkStripProps) {
  const { width, fromMm, toMm } = p;
  const c = useTokens();
  const X = (s: number) => 8 + ((s - fromMm) / (toMm - fromMm)) * (width - 16);
  const Y = (share: number) => height - 10 - (Math.min(full, share) / full) * (height - 24);
  const dry = p.cells.filter((x) => x.dryOnly);
  return (
    <StripSlider
      {...p}
      height={height}
      deepestMm={1}
      at={{ sMm: p.at, depthMm: 0 }}
      text={t('toolStands', { s: Math.round(p.at - fromMm) })}
    >
      {(held) => (
        <Svg width={width} height={height} aria-hidden pointerEvents="none">
          <Rect x={8} y={Y(full)} width={width - 16} height={Y(0) - Y(full)} fill={c.device} stroke={c.ink} />
          {p.cells.map((x) => (
            <G key={x.fromMm}>
              {x.film > 0 ? (
                <Rect
                  x={X(x.fromMm)}
                  y={Y(x.film * 0.4)}
                  width={Math.max(0.5, X(x.toMm) - X(x.fromMm))}
                  height={Y(0) - Y(x.film * 0.4)}
                  fill={c.ink2}
                  fillOpacity={0.35}
                />
              ) : null}
              {x.share > 0 ? (
                <Rect
                  x={X(x.fromMm)}
                  y={Y(x.share)}
                  width={Math.max(0.5, X(x.toMm) - X(x.fromMm) + 0.5)}
                  height={Y(0) - Y(x.share)}
                  fill={c.ink2}
                />
              ) : null}
            </G>
          ))}
          {dry.length ? (
            <G>
              {dry.map((x) => (
                <Line
                  key={x.fromMm}
                  x1={X(x.fromMm)}
                  x2={X(x.toMm)}
                  y1={Y(full) + 3}
                  y2={Y(full) + 3}
                  stroke={c.caution}
                  strokeWidth={4}
                />
              ))}
              <Text x={X(dry[0]!.fromMm) + 4} y={Y(full) + 20} fontSize={13} fontFamily="Next_400" fill={c.caution}>
                {t('onlyDry')}
              </Text>
            </G>
          ) : null}
          {p.meant ? (
            <G>
              <Line x1={8} x2={width - 8} y1={Y(1)} y2={Y(1)} stroke={c.ink} strokeDasharray="2 3" />
              <Text x={12} y={Y(1) - 4} fontSize={13} fontFamily="Next_400" fill={c.ink}>
                {t('asPlanned')}
              </Text>
            </G>
          ) : null}
          {p.crumbs.map((s) => (
            <Circle key={s} cx={X(s)} cy={Y(0) - 8} r={7} fill={c.panel} stroke={c.caution} strokeWidth={3} />
          ))}
          <Line x1={X(p.at)} x2={X(p.at)} y1={4} y2={Y(0)} stroke={c.ink} strokeWidth={held ? 5 : 3} />
          <Circle cx={X(p.at)} cy={10} r={held ? 9 : 7} fill={held ? c.ink : c.panel} stroke={c.ink} strokeWidth={2} />
        </Svg>
      )}
    </StripSlider>
  );
}
