import { useId } from 'react';
import { ClipPath, Defs, G, Image, Path } from 'react-native-svg';

import { usePlanFrame } from './frame';
import { shapePath } from './svgPath';

/** A rectified photo in the plan's own millimetres, as strongly as somebody likes it. */
export interface PlanPhoto {
  data: string;
  widthMm: number;
  lengthMm: number;
}

export function PhotoLayer({ photo, strength }: { photo: PlanPhoto; strength: number }) {
  const { device } = usePlanFrame();
  const id = useId();
  return (
    <G>
      <Defs>
        <ClipPath id={id}>
          <Path d={shapePath(device.leaves[0]!.outline)} />
        </ClipPath>
      </Defs>
      <Image
        href={photo.data}
        x={0}
        y={0}
        width={photo.widthMm}
        height={photo.lengthMm}
        preserveAspectRatio="none"
        opacity={strength}
        clipPath={`url(#${id})`}
      />
    </G>
  );
}
