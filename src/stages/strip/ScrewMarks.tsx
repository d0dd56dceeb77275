import { Circle, G, Path } from 'react-native-svg';

import type { Pt } from '@/core/device/types';
import { usePlanFrame } from '@/ui/plan/frame';

export interface ScrewMark {
  at: Pt;
  /** cross: in; ring: out; hatch: missing */
  state: 'in' | 'out' | 'missing' | 'next' | 'wrong';
}

/** Screws on the plan: filled with a cross while they are in, an empty ring when out, struck through when missing. */
export function ScrewMarks({ items }: { items: readonly ScrewMark[] }) {
  const { tokens: t, mm } = usePlanFrame();
  return (
    <G>
      {items.map(({ at: [x, y], state }, i) => {
        const r = (state === 'next' ? 9 : 5) * mm;
        const ink = state === 'missing' || state === 'wrong' ? t.caution : t.ink;
        return (
          <G key={i}>
            <Circle
              cx={x}
              cy={y}
              r={r}
              fill={state === 'in' ? t.ink : state === 'next' ? t.go : t.panel}
              stroke={ink}
              strokeWidth={1.8 * mm}
              strokeDasharray={state === 'missing' ? `${2 * mm} ${2 * mm}` : undefined}
            />
            {state === 'in' || state === 'next' || state === 'wrong' ? (
              <Path
                d={`M${x - r / 2} ${y} h${r} M${x} ${y - r / 2} v${r}`}
                stroke={state === 'wrong' ? t.caution : t.panel}
                strokeWidth={1.4 * mm}
              />
            ) : null}
            {state === 'missing' ? (
              <Path d={`M${x - r} ${y + r} L${x + r} ${y - r}`} stroke={t.caution} strokeWidth={1.8 * mm} />
            ) : null}
          </G>
        );
      })}
    </G>
  );
}

/** Plugs as small squares; the battery's plug filled. */
export function PlugMarks({ items }: { items: readonly { at: Pt; off: boolean; next: boolean; battery: boolean }[] }) {
  const { tokens: t, mm } = usePlanFrame();
  return (
    <G>
      {items.map(({ at: [x, y], off, next, battery }, i) => {
        const r = (next ? 9 : 6) * mm;
        return (
          <Path
            key={i}
            d={`M${x - r} ${y - r * 0.6} h${2 * r} v${r * 1.2} h${-2 * r} Z`}
            fill={next ? t.go : off ? t.panel : battery ? t.caution : t.ink2}
            stroke={battery ? t.caution : t.ink}
            strokeWidth={1.6 * mm}
            strokeDasharray={off ? `${2 * mm} ${2 * mm}` : undefined}
          />
        );
      })}
    </G>
  );
}
