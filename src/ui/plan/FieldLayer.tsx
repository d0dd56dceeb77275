import { contours } from 'd3-contour';
import { useId, useMemo } from 'react';
import { ClipPath, Defs, G, Path } from 'react-native-svg';

import type { ThermalModes } from '@/core/heat/modes';
import { ramp, rampInk } from '../theme';
import { usePlanFrame } from './frame';
import { shapePath } from './svgPath';

/** Lower bounds of the tints, °C; below the first one the coldest tint. */
export const tintStepsC = [40, 50, 60, 70, 80, 90];

interface FieldLayerProps {
  /** temperatures on the raster, row after row, °C */
  valuesC: Float64Array;
  raster: ThermalModes['picture'];
  /** threshold isoline in bold ink, °C */
  boldC: number | null;
}

/** Depth tints with isolines; the threshold isoline is bold, so that nothing hangs on colour alone. */
export function FieldLayer({ valuesC, raster, boldC }: FieldLayerProps) {
  const { device, tokens: t, mm } = usePlanFrame();
  const { tints, bold } = useMemo(() => {
    const make = contours().size([raster.nx, raster.ny]);
    const values = Array.from(valuesC);
    const toMm = (polygons: number[][][][]) =>
      polygons
        .flatMap((rings) => rings)
        .map(
          (ring) =>
            ring
              .map(
                ([x, y], i) =>
                  `${i ? 'L' : 'M'}${(raster.originMm[0] + (x! - 0.5) * raster.stepMm[0]).toFixed(2)} ${(raster.originMm[1] + (y! - 0.5) * raster.stepMm[1]).toFixed(2)}`,
              )
              .join(' ') + ' Z',
        )
        .join(' ');
    return {
      tints: tintStepsC.map((c, i) => ({ d: toMm(make.contour(values, c).coordinates), fill: ramp[i + 1]! })),
      bold: boldC === null ? '' : toMm(make.contour(values, boldC).coordinates),
    };
  }, [valuesC, raster, boldC]);
  const clip = useId();
  const outline = shapePath(device.leaves[0]!.outline);
  return (
    <G>
      <Defs>
        <ClipPath id={clip}>
          <Path d={outline} />
        </ClipPath>
      </Defs>
      <G clipPath={`url(#${clip})`}>
        <Path d={outline} fill={ramp[0]} />
        {tints.map((c) =>
          c.d ? (
            <Path
              key={c.fill}
              d={c.d}
              fill={c.fill}
              fillRule="evenodd"
              stroke={rampInk}
              strokeOpacity={0.3}
              strokeWidth={0.8 * mm}
            />
          ) : null,
        )}
        {bold ? <Path d={bold} fill="none" stroke={rampInk} strokeWidth={2.5 * mm} /> : null}
      </G>
      <Path d={outline} fill="none" stroke={t.ink} strokeWidth={2.5 * mm} />
    </G>
  );
}
