import { Defs, G, Line, Path, Pattern, Rect } from 'react-native-svg';

import { factOf, isGuessed } from '@/core/device/known';
import { coverOf } from '@/core/device/perimeter';
import { usePlanFrame } from './frame';
import { shapePath } from './svgPath';

/** What nobody has seen: thin and dotted. */
const dots = (mm: number) => `${1 * mm} ${3 * mm}`;

/** The device itself: outline, bond zone dashed, inner parts as faint lines, lenses, keep-outs hatched. */
export function DeviceBody() {
  const { device, tokens: t, mm } = usePlanFrame();
  const leaf = device.leaves[0]!;
  return <Path d={shapePath(leaf.outline)} fill={t.device} stroke={t.ink} strokeWidth={2.5 * mm} />;
}

export function DeviceLines({ inside = true }: { inside?: boolean }) {
  const { device, bond, outs, tokens: t, mm } = usePlanFrame();
  const cover = coverOf(device, bond);
  const face = device.faces.find((f) => f.id === bond.onFace)!;
  const edge = { kind: 'band' as const, of: cover.outline };
  return (
    <G>
      <Defs>
        <Pattern id="hatch" width={5 * mm} height={5 * mm} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <Rect width={5 * mm} height={5 * mm} fill="none" />
          <Line x1={0} y1={0} x2={0} y2={5 * mm} stroke={t.caution} strokeWidth={1.4 * mm} />
        </Pattern>
      </Defs>
      {inside
        ? device.parts
            .filter((p) => p.kind === 'battery' || p.kind === 'board')
            .map((p) => (
              <Path
                key={p.id}
                d={shapePath(p.shape)}
                fill="none"
                stroke={t.ink2}
                strokeWidth={1 * mm}
                strokeOpacity={0.55}
                {...(isGuessed(device, factOf.part(p.id)) ? { strokeDasharray: dots(mm) } : {})}
              />
            ))
        : null}
      <Path
        d={shapePath({ ...edge, fromMm: bond.insetMm, toMm: bond.insetMm + bond.widthMm })}
        fill="none"
        stroke={t.ink}
        strokeWidth={1 * mm}
        strokeDasharray={`${4 * mm} ${3 * mm}`}
      />
      {outs.map((k) =>
        isGuessed(device, factOf.part(k.id)) ? (
          <Path
            key={k.id}
            d={shapePath(k.shape)}
            fill="none"
            stroke={t.caution}
            strokeWidth={1 * mm}
            strokeDasharray={dots(mm)}
          />
        ) : k.why === 'coil' ? (
          <Path
            key={k.id}
            d={shapePath(k.shape)}
            fill="none"
            stroke={t.caution}
            strokeWidth={1.5 * mm}
            strokeDasharray={`${3 * mm} ${3 * mm}`}
          />
        ) : (
          <Path key={k.id} d={shapePath(k.shape)} fill="url(#hatch)" stroke={t.caution} strokeWidth={1.5 * mm} />
        ),
      )}
      {face.holes.map((h) => (
        <Path key={h.id} d={shapePath(h.shape)} fill={t.panel} stroke={t.ink} strokeWidth={1.5 * mm} />
      ))}
    </G>
  );
}
