import type { ReactNode } from 'react';
import { View } from 'react-native';

import { useStripDrag } from './useStripDrag';

export interface StripSliderProps {
  label: string;
  /** where the tool stands, said */
  text: string;
  width: number;
  height: number;
  /** of the edge */
  fromMm: number;
  toMm: number;
  /** what the strip spans across, mm */
  deepestMm: number;
  at: { sMm: number; depthMm: number };
  /** so far an arrow key goes along, mm */
  keyMm: number;
  /** moved to a place at a depth; called while a finger moves and with each key */
  onMove: (sMm: number, depthMm: number, phase: 'start' | 'move' | 'end') => void;
  children: (held: boolean) => ReactNode;
}

/** An edge laid out flat with a tool on it: a finger drags it, or the arrow keys do; Enter puts it down where it stands. */
export function StripSlider(p: StripSliderProps) {
  const { width, height, fromMm, toMm, deepestMm, at, keyMm } = p;
  const { holder, held } = useStripDrag(p, deepestMm, height);
  const steps: Record<string, [number, number]> = {
    ArrowRight: [keyMm, 0],
    ArrowLeft: [-keyMm, 0],
    ArrowDown: [0, 0.5],
    ArrowUp: [0, -0.5],
  };
  return (
    <View
      ref={holder}
      role="slider"
      tabIndex={0}
      aria-label={p.label}
      aria-valuemin={Math.round(fromMm)}
      aria-valuemax={Math.round(toMm)}
      aria-valuenow={Math.round(at.sMm)}
      aria-valuetext={p.text}
      testID="strip"
      style={{ width, height, touchAction: 'none', userSelect: 'none', cursor: 'grab' } as object}
      {...({
        onKeyDown: (e: { key: string; preventDefault(): void }) => {
          if (e.key === 'Enter') {
            p.onMove(at.sMm, at.depthMm, 'start');
            p.onMove(at.sMm, at.depthMm, 'end');
          }
          const by = steps[e.key];
          if (!by) return;
          e.preventDefault();
          p.onMove(
            Math.min(toMm, Math.max(fromMm, at.sMm + by[0])),
            Math.min(deepestMm, Math.max(0, at.depthMm + by[1])),
            'move',
          );
        },
      } as object)}
    >
      {p.children(held)}
    </View>
  );
}
