import { useRef } from 'react';

/** Movements of a drag are taken together for so long. */
const dragMs = 120;

/**
 * A drag as stretches: from where it was to where it is, with the time that it took. A key is a movement too.
 * @param does mm, mm, mm across, s of the exercise
 */
export function useStretches(
  speed: number,
  does: (fromMm: number, toMm: number, depthMm: number, dtS: number) => void,
): (sMm: number, depthMm: number, phase: 'start' | 'move' | 'end') => void {
  const from = useRef<{ sMm: number; at: number } | null>(null);
  return (sMm, depthMm, phase) => {
    const now = performance.now();
    if (phase === 'start' || !from.current) {
      from.current = phase === 'end' ? null : { sMm, at: now };
      return;
    }
    const { sMm: before, at } = from.current;
    const ms = now - at;
    if (ms < dragMs && phase === 'move') return;
    if (Math.abs(sMm - before) > 0.05) does(before, sMm, depthMm, (Math.max(ms, dragMs) / 1e3) * Math.max(1, speed));
    from.current = phase === 'end' ? null : { sMm, at: now };
  };
}
