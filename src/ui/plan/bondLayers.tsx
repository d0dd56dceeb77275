import { memo } from 'react';
import { Circle, G, Path } from 'react-native-svg';

import { laidParts } from '@/core/bond/pace';
import type { Outline, Pt } from '@/core/device/types';
import { usePlanFrame } from './frame';
import { polyline, shapePath } from './svgPath';

/** Strokes of a bead: the way as a thin line, what is laid as a thick one, a bar across where each one begins. */
export const BeadStrokes = memo(function BeadStrokes({
  strokes,
  laidMm,
  widthMm,
}: {
  strokes: readonly (readonly Pt[])[];
  laidMm: number;
  widthMm: number;
}) {
  const { tokens: t, mm } = usePlanFrame();
  const laid = laidParts(strokes, laidMm);
  return (
    <G>
      {strokes.map((s, i) => (
        <Path key={i} d={polyline(s)} fill="none" stroke={t.ink} strokeWidth={1.6 * mm} />
      ))}
      {laid.map((s, i) =>
        s.length > 1 ? (
          <Path
            key={i}
            d={polyline(s)}
            fill="none"
            stroke={t.ink}
            strokeLinejoin="round"
            strokeWidth={Math.max(widthMm, 5 * mm)}
          />
        ) : null,
      )}
      {strokes.map((s, i) => (
        <Circle key={i} cx={s[0]![0]} cy={s[0]![1]} r={4 * mm} fill={t.panel} stroke={t.ink} strokeWidth={2 * mm} />
      ))}
    </G>
  );
});

/** Where the nozzle should be now: a ring while it lays, an empty one between strokes. */
export function PaceMark({ at, laying }: { at: Pt; laying: boolean }) {
  const { tokens: t, mm } = usePlanFrame();
  return (
    <G>
      <Circle cx={at[0]} cy={at[1]} r={11 * mm} fill="none" stroke={t.panel} strokeWidth={6 * mm} />
      <Circle
        cx={at[0]}
        cy={at[1]}
        r={11 * mm}
        fill={laying ? t.go : 'none'}
        fillOpacity={0.5}
        stroke={t.go}
        strokeWidth={3 * mm}
      />
    </G>
  );
}

/** Areas that are not pressed: hatched like every other keep-out. */
export function NoPressAreas({ shapes }: { shapes: readonly Outline[] }) {
  const { tokens: t, mm } = usePlanFrame();
  return (
    <G>
      {shapes.map((s, i) => (
        <Path
          key={i}
          d={shapePath(s)}
          fill="url(#hatch)"
          fillOpacity={0.55}
          stroke={t.caution}
          strokeWidth={1 * mm}
          strokeDasharray={`${3 * mm} ${3 * mm}`}
        />
      ))}
    </G>
  );
}

/** A turn, drawn as part of a circle round a point with a head: clockwise as looked at when positive. */
export function TurnArrow({ about, clockwise, radiusPx = 44 }: { about: Pt; clockwise: boolean; radiusPx?: number }) {
  const { tokens: t, mm } = usePlanFrame();
  const r = radiusPx * mm;
  const sign = clockwise ? 1 : -1;
  const point = (deg: number): Pt => {
    const a = (deg * Math.PI) / 180;
    return [about[0] + r * Math.cos(a), about[1] + r * Math.sin(a)];
  };
  const start = -90 - sign * 60;
  const end = -90 + sign * 60;
  const [p, q] = [point(start), point(end)];
  const tangent = ((end + sign * 90) * Math.PI) / 180;
  const head = (turn: number): Pt => [
    q[0] - 14 * mm * Math.cos(tangent + turn),
    q[1] - 14 * mm * Math.sin(tangent + turn),
  ];
  const [h1, h2] = [head(0.45), head(-0.45)];
  return (
    <Path
      d={`M${p[0]} ${p[1]} A${r} ${r} 0 0 ${clockwise ? 1 : 0} ${q[0]} ${q[1]} M${h1[0]} ${h1[1]} L${q[0]} ${q[1]} L${h2[0]} ${h2[1]}`}
      fill="none"
      stroke={t.go}
      strokeWidth={4 * mm}
    />
  );
}
