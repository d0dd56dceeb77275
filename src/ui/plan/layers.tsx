import { Circle, G, Path, Text } from 'react-native-svg';

import type { Pt } from '@/core/device/types';
import { rampInk } from '../theme';
import { usePlanFrame } from './frame';
import { arcPath } from './svgPath';

export interface Sounding {
  at: Pt;
  text: string;
  /** circled: the one to look at */
  ring?: boolean;
  bold?: boolean;
}

/** Numbers set in the drawing where they were measured or computed. */
export function Soundings({ items, onField = false }: { items: readonly Sounding[]; onField?: boolean }) {
  const { tokens: t, mm } = usePlanFrame();
  const ink = onField ? rampInk : t.ink;
  return (
    <G>
      {items.map((s, i) => (
        <G key={i}>
          {s.ring ? (
            <Circle cx={s.at[0]} cy={s.at[1]} r={12 * mm} fill="none" stroke={ink} strokeWidth={2 * mm} />
          ) : null}
          <Text
            x={s.at[0]}
            y={s.at[1] + 4.5 * mm}
            fontSize={13 * mm}
            fontFamily={s.bold ? 'Mono_700' : 'Mono_500'}
            textAnchor="middle"
            fill={ink}
            stroke={onField ? '#FCFBF6' : t.device}
            strokeWidth={3 * mm}
            // the paint order keeps a halo behind the digits, so that they stand on any tint
            {...{ paintOrder: 'stroke' }}
          >
            {s.text}
          </Text>
        </G>
      ))}
    </G>
  );
}

export interface RingArc {
  fromMm: number;
  toMm: number;
  state: 'go' | 'slow' | 'reheat' | 'stop' | 'free' | 'plain' | 'dry';
}

/** Stretches of the ring by state: thick where it goes, thin where slow, dotted where gripped, hollow where free. */
export function RingArcs({ arcs }: { arcs: readonly RingArc[] }) {
  const { path, tokens: t, mm } = usePlanFrame();
  const style = {
    go: { stroke: t.go, strokeWidth: 7 * mm },
    slow: { stroke: t.ink, strokeWidth: 3.5 * mm },
    reheat: { stroke: t.caution, strokeWidth: 4 * mm, strokeDasharray: `${2 * mm} ${5 * mm}` },
    stop: { stroke: t.caution, strokeWidth: 7 * mm },
    free: { stroke: t.rule, strokeWidth: 4 * mm },
    plain: { stroke: t.ink, strokeWidth: 4 * mm },
    dry: { stroke: t.caution, strokeWidth: 4 * mm, strokeDasharray: `${8 * mm} ${3 * mm}` },
  };
  return (
    <G>
      {arcs.map((a) => (
        <Path key={`${a.fromMm}`} d={arcPath(path, a.fromMm, a.toMm)} fill="none" {...style[a.state]} />
      ))}
    </G>
  );
}

/** Stretches that are cut: hollow, so that what still holds stands out. One under the finger is drawn in ink. */
export function CutRing({
  free,
  live,
}: {
  free: readonly { fromMm: number; toMm: number }[];
  live?: { fromMm: number; toMm: number } | null;
}) {
  const { path, tokens: t, mm } = usePlanFrame();
  return (
    <G>
      {free.map((s) => (
        <G key={`${s.fromMm}`}>
          <Path d={arcPath(path, s.fromMm, s.toMm)} fill="none" stroke={t.ink} strokeWidth={7 * mm} />
          <Path d={arcPath(path, s.fromMm, s.toMm)} fill="none" stroke={t.panel} strokeWidth={4.5 * mm} />
        </G>
      ))}
      {live ? (
        <Path d={arcPath(path, live.fromMm, live.toMm)} fill="none" stroke={t.caution} strokeWidth={9 * mm} />
      ) : null}
    </G>
  );
}

/** Picks left behind, as bars across the edge. */
export function Pegs({ atMm }: { atMm: readonly number[] }) {
  const { path, tokens: t, mm } = usePlanFrame();
  return (
    <G>
      {atMm.map((s) => {
        const { at, normal } = path.point(s);
        const along = (d: number): Pt => [at[0] + normal[0] * d, at[1] + normal[1] * d];
        const [a, b] = [along(9 * mm), along(-9 * mm)];
        return (
          <Path
            key={s}
            d={`M${a[0]} ${a[1]} L${b[0]} ${b[1]}`}
            stroke={t.go}
            strokeWidth={4 * mm}
            strokeLinecap="square"
          />
        );
      })}
    </G>
  );
}

/** Where the first gap is made: the cup as a circle with a cross, the blade as a wedge at the edge. */
export function FirstGapMarks({ cup, blade }: { cup: { at: Pt; rMm: number } | null; blade: { at: Pt; into: Pt } }) {
  const { tokens: t, mm } = usePlanFrame();
  return (
    <G>
      {cup ? (
        <G>
          <Circle
            cx={cup.at[0]}
            cy={cup.at[1]}
            r={cup.rMm}
            fill="none"
            stroke={t.ink}
            strokeWidth={2 * mm}
            strokeDasharray={`${5 * mm} ${3 * mm}`}
          />
          <Path
            d={`M${cup.at[0] - 6 * mm} ${cup.at[1]} h${12 * mm} M${cup.at[0]} ${cup.at[1] - 6 * mm} v${12 * mm}`}
            stroke={t.ink}
            strokeWidth={2 * mm}
          />
        </G>
      ) : null}
      <BladeMark {...blade} />
    </G>
  );
}

/** A blade: a wedge whose point goes in. */
export function BladeMark({ at, into }: { at: Pt; into: Pt }) {
  const { tokens: t, mm } = usePlanFrame();
  const tip: Pt = [at[0] + into[0] * 12 * mm, at[1] + into[1] * 12 * mm];
  const back = (side: number): Pt => [
    at[0] - into[0] * 14 * mm - into[1] * 8 * mm * side,
    at[1] - into[1] * 14 * mm + into[0] * 8 * mm * side,
  ];
  const [p, q] = [back(1), back(-1)];
  return (
    <Path
      d={`M${tip[0]} ${tip[1]} L${p[0]} ${p[1]} L${q[0]} ${q[1]} Z`}
      fill={t.ink}
      stroke={t.panel}
      strokeWidth={1.5 * mm}
    />
  );
}

/** Where spot heat is aimed: two broken rings. */
export function HeatMark({ at }: { at: Pt }) {
  const { tokens: t, mm } = usePlanFrame();
  return (
    <G>
      {[9, 15].map((r) => (
        <Circle
          key={r}
          cx={at[0]}
          cy={at[1]}
          r={r * mm}
          fill="none"
          stroke={t.caution}
          strokeWidth={2 * mm}
          strokeDasharray={`${4 * mm} ${3 * mm}`}
        />
      ))}
    </G>
  );
}

/** Deepest line of the pick along the ring, from the limits at even steps of s. */
export function DepthLine({ limits }: { limits: readonly { sMm: number; limitMm: number }[] }) {
  const { bond, path, tokens: t, mm } = usePlanFrame();
  const edge = bond.insetMm + bond.widthMm / 2;
  const d = limits
    .map((l, i) => {
      const p = path.point(l.sMm);
      const depth = Math.min(l.limitMm, 14) - edge;
      return `${i ? 'L' : 'M'}${(p.at[0] - p.normal[0] * depth).toFixed(2)} ${(p.at[1] - p.normal[1] * depth).toFixed(2)}`;
    })
    .join(' ');
  return (
    <Path d={`${d} Z`} fill="none" stroke={t.ink2} strokeWidth={1.2 * mm} strokeDasharray={`${1.5 * mm} ${2.5 * mm}`} />
  );
}

/** Numbered discs: the order of the edges, the gauge points, the clips. */
export function Numbers({ items }: { items: readonly { at: Pt; text: string; state: 'next' | 'done' | 'todo' }[] }) {
  const { tokens: t, mm } = usePlanFrame();
  return (
    <G>
      {items.map((p, i) => (
        <G key={i}>
          <Circle
            cx={p.at[0]}
            cy={p.at[1]}
            r={(p.state === 'next' ? 13 : 9) * mm}
            fill={p.state === 'next' ? t.ink : t.panel}
            stroke={t.ink}
            strokeWidth={1.5 * mm}
            strokeDasharray={p.state === 'todo' ? `${3 * mm} ${2 * mm}` : undefined}
          />
          <Text
            x={p.at[0]}
            y={p.at[1] + (p.state === 'next' ? 5 : 4) * mm}
            fontSize={(p.state === 'next' ? 14 : 11) * mm}
            fontFamily="Mono_700"
            textAnchor="middle"
            fill={p.state === 'next' ? t.panel : t.ink}
          >
            {p.text}
          </Text>
        </G>
      ))}
    </G>
  );
}

/** Tape pieces as bars with a gap at every joint. */
export function TapeBars({ pieces, widthMm }: { pieces: readonly { from: Pt; to: Pt }[]; widthMm: number }) {
  const { tokens: t, mm } = usePlanFrame();
  return (
    <G>
      {pieces.map((p, i) => (
        <G key={i}>
          <Path
            d={`M${p.from[0]} ${p.from[1]} L${p.to[0]} ${p.to[1]}`}
            stroke={t.ink}
            strokeWidth={Math.max(widthMm, 4 * mm)}
          />
          <Circle cx={p.from[0]} cy={p.from[1]} r={2 * mm} fill={t.panel} />
        </G>
      ))}
    </G>
  );
}

/** An arrow for a slide, drawn exaggerated from the middle of the plan. */
export function MoveArrow({ from, dx, dy }: { from: Pt; dx: number; dy: number }) {
  const { tokens: t, mm } = usePlanFrame();
  const l = Math.hypot(dx, dy);
  if (l < 1e-6) return null;
  const k = (60 * mm) / l;
  const end: Pt = [from[0] + dx * k, from[1] + dy * k];
  const a = Math.atan2(dy, dx);
  const head = (turn: number): Pt => [end[0] - 14 * mm * Math.cos(a + turn), end[1] - 14 * mm * Math.sin(a + turn)];
  const [h1, h2] = [head(0.45), head(-0.45)];
  return (
    <Path
      d={`M${from[0]} ${from[1]} L${end[0]} ${end[1]} M${h1[0]} ${h1[1]} L${end[0]} ${end[1]} L${h2[0]} ${h2[1]}`}
      fill="none"
      stroke={t.go}
      strokeWidth={4 * mm}
    />
  );
}
