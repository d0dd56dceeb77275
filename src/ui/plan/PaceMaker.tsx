import { useEffect, useMemo, useState } from 'react';
import { Circle, G, Path } from 'react-native-svg';

import { loopPerimeter, loopSegments, pathAt, pathPoints, type AirPath } from '@/core/heat/airPath';
import type { Outline } from '@/core/device/types';
import { usePlanFrame } from './frame';
import { arcPath, polyline } from './svgPath';

/**
 * The way of the nozzle, thicker where it goes slower, and the nozzle itself moving at the recommended speed: a pace-maker
 * for the hand. It stands still where somebody asked the system for less movement.
 */
export function PaceMaker({ outline, path, running }: { outline: Outline; path: AirPath; running: boolean }) {
  const { tokens: t, mm } = usePlanFrame();
  const lines = useMemo(() => {
    if (path.kind !== 'loop') return [{ d: polyline(pathPoints(outline, path).map((p) => p.at)), width: 3 }];
    const line = loopPerimeter(outline, path.insetMm);
    const shares = path.shares ?? new Array<number>(loopSegments).fill(1);
    const mean = shares.reduce((m, v) => m + v, 0) / loopSegments;
    const step = line.lengthMm / loopSegments;
    return shares.map((v, q) => ({
      d: arcPath(line, (q - 0.5) * step, (q + 0.5) * step),
      width: Math.min(9, Math.max(1.5, (3 * v) / mean)),
    }));
  }, [outline, path]);
  return (
    <G>
      {lines.map((l, i) => (
        <Path
          key={i}
          d={l.d}
          fill="none"
          stroke={t.caution}
          strokeWidth={l.width * mm}
          strokeDasharray={`${4 * mm} ${2 * mm}`}
        />
      ))}
      {running ? <Nozzle outline={outline} path={path} /> : null}
    </G>
  );
}

function Nozzle({ outline, path }: { outline: Outline; path: AirPath }) {
  const { tokens: t, mm } = usePlanFrame();
  const [tS, setT] = useState(0);
  useEffect(() => {
    if (typeof requestAnimationFrame === 'undefined' || still()) return;
    const began = performance.now();
    let id = 0;
    const frame = () => {
      setT((performance.now() - began) / 1e3);
      id = requestAnimationFrame(frame);
    };
    id = requestAnimationFrame(frame);
    return () => cancelAnimationFrame(id);
  }, [outline, path]);
  const [x, y] = pathAt(outline, path, tS);
  return (
    <G>
      <Circle cx={x} cy={y} r={13 * mm} fill="none" stroke={t.ink} strokeWidth={2 * mm} />
      <Circle cx={x} cy={y} r={6 * mm} fill={t.caution} stroke={t.panel} strokeWidth={1.5 * mm} />
    </G>
  );
}

const still = () => typeof matchMedia !== 'undefined' && matchMedia('(prefers-reduced-motion: reduce)').matches;
