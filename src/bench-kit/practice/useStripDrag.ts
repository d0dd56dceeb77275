import { useEffect, useRef, useState } from 'react';
import type { View } from 'react-native';

import type { StripSliderProps } from './StripSlider';

/** A finger on the strip, told as places along the edge and depths; held: it is down. */
export function useStripDrag(
  { fromMm, toMm, width, onMove }: Pick<StripSliderProps, 'fromMm' | 'toMm' | 'width' | 'onMove'>,
  deepestMm: number,
  height: number,
) {
  const holder = useRef<View>(null);
  const latest = useRef(onMove);
  const [held, setHeld] = useState(false);
  useEffect(() => {
    latest.current = onMove;
  });
  useEffect(() => {
    const el = holder.current as unknown as HTMLElement | null;
    if (!el?.addEventListener) return undefined;
    let on = false;
    const at = (e: PointerEvent): [number, number] => {
      const r = el.getBoundingClientRect();
      const s = fromMm + ((e.clientX - r.left - 8) / (width - 16)) * (toMm - fromMm);
      const d = ((e.clientY - r.top - 10) / (height - 20)) * deepestMm;
      return [Math.min(toMm, Math.max(fromMm, s)), Math.min(deepestMm, Math.max(0, d))];
    };
    const tell = (phase: 'start' | 'move' | 'end') => (e: PointerEvent) => {
      if (phase === 'start') {
        on = true;
        setHeld(true);
        el.setPointerCapture?.(e.pointerId);
      }
      if (!on) return;
      if (phase === 'end') {
        on = false;
        setHeld(false);
      }
      latest.current(...at(e), phase);
    };
    const pairs = [
      ['pointerdown', tell('start')],
      ['pointermove', tell('move')],
      ['pointerup', tell('end')],
      ['pointercancel', tell('end')],
    ] as const;
    for (const [name, f] of pairs) el.addEventListener(name, f);
    return () => {
      for (const [name, f] of pairs) el.removeEventListener(name, f);
    };
  }, [fromMm, toMm, width, deepestMm, height]);
  return { holder, held };
}
