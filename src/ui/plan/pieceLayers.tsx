import { memo } from 'react';
import { G, Path } from 'react-native-svg';

import type { Outline, Pt } from '@/core/device/types';
import { usePlanFrame } from './frame';
import { polyline, shapePath } from './svgPath';
import { Numbers } from './layers';

/** Lines along which glass is broken on purpose. */
export function BreakLines({ lines }: { lines: readonly (readonly [Pt, Pt])[] }) {
  const { tokens: t, mm } = usePlanFrame();
  return (
    <Path
      d={lines.map((l) => polyline(l)).join(' ')}
      fill="none"
      stroke={t.caution}
      strokeWidth={3.5 * mm}
      strokeDasharray={`${2 * mm} ${4 * mm}`}
    />
  );
}

/** Glass that stayed behind: small hollow shards. */
export function Shards({ at }: { at: readonly Pt[] }) {
  const { tokens: t, mm } = usePlanFrame();
  const r = 7 * mm;
  return (
    <G>
      {at.map(([x, y], i) => (
        <Path
          key={i}
          d={`M${x - r} ${y + r * 0.7} L${x} ${y - r} L${x + r} ${y + r * 0.4} Z`}
          fill={t.panel}
          stroke={t.caution}
          strokeWidth={2.5 * mm}
        />
      ))}
    </G>
  );
}

export interface PieceDrawn {
  loops: readonly (readonly Pt[])[];
  labelAt: Pt;
  areaMm2: number;
  /** place in the order, from 1 */
  order: number;
  state: 'next' | 'todo' | 'done';
}

/** A number fits into a piece of at least this area on screen, px². */
const labelPx2 = 380;

/**
 * Pieces of the cracked cover with their place in the order, and the cracks that end inside. All outlines are one path: with
 * hundreds of pieces the picture still follows the finger.
 */
export const Pieces = memo(function Pieces({
  pieces,
  dangling,
}: {
  pieces: readonly PieceDrawn[];
  dangling: readonly { from: Pt; to: Pt }[];
}) {
  const { tokens: t, mm } = usePlanFrame();
  const loops = (list: readonly PieceDrawn[]) => list.flatMap((p) => p.loops.map((l) => `${polyline(l)} Z`)).join(' ');
  const next = pieces.filter((p) => p.state === 'next');
  const gone = pieces.filter((p) => p.state === 'done');
  return (
    <G>
      {next.length ? <Path d={loops(next)} fill={t.go} fillOpacity={0.3} fillRule="evenodd" /> : null}
      {gone.length ? <Path d={loops(gone)} fill={t.panel} fillOpacity={0.85} fillRule="evenodd" /> : null}
      {pieces.length ? (
        <Path d={loops(pieces)} fill="none" stroke={t.ink} strokeWidth={2 * mm} strokeLinejoin="round" />
      ) : null}
      {dangling.length ? (
        <Path
          d={dangling.map((d) => polyline([d.from, d.to])).join(' ')}
          fill="none"
          stroke={t.caution}
          strokeWidth={2.5 * mm}
          strokeDasharray={`${3 * mm} ${4 * mm}`}
        />
      ) : null}
      {pieces.length > 1 ? (
        <Numbers
          items={pieces
            .filter((p) => p.state === 'next' || (p.state === 'todo' && p.areaMm2 / mm ** 2 >= labelPx2))
            .sort((a, b) => Number(a.state === 'next') - Number(b.state === 'next'))
            .map((p) => ({ at: p.labelAt, text: String(p.order), state: p.state }))}
        />
      ) : null}
    </G>
  );
});

/** Chips as notches: a filled triangle that points at the place. */
export function Chips({ at }: { at: readonly Pt[] }) {
  const { tokens: t, mm } = usePlanFrame();
  const r = 7 * mm;
  return (
    <G>
      {at.map(([x, y], i) => (
        <Path
          key={i}
          d={`M${x - r} ${y - r} L${x + r} ${y - r} L${x} ${y + r * 0.6} Z`}
          fill={t.caution}
          stroke={t.panel}
          strokeWidth={1 * mm}
        />
      ))}
    </G>
  );
}

/** A stroke under the finger. */
export function Stroke({ pts }: { pts: readonly Pt[] }) {
  const { tokens: t, mm } = usePlanFrame();
  return <Path d={polyline(pts)} fill="none" stroke={t.caution} strokeWidth={3 * mm} strokeLinecap="round" />;
}

/** Items of a model under the editor's hand; the chosen one thick. */
export function Outlines({ items }: { items: readonly { shape: Outline; on: boolean }[] }) {
  const { tokens: t, mm } = usePlanFrame();
  return (
    <G>
      {items.map((x, i) => (
        <Path
          key={i}
          d={shapePath(x.shape)}
          fill={x.on ? t.go : 'none'}
          fillOpacity={0.25}
          stroke={x.on ? t.go : t.ink2}
          strokeWidth={(x.on ? 4 : 1) * mm}
        />
      ))}
    </G>
  );
}
