import { View } from 'react-native';
import Svg, { Path } from 'react-native-svg';

import { boxOf } from '@/core/device/shapes';
import type { Device, Pt } from '@/core/device/types';
import { useTokens } from '../theme';
import { polyline, shapePath } from './svgPath';

interface DeviceThumbProps {
  /** as somebody sees it who looks at the face */
  device: Pick<Device, 'leaves' | 'faces'>;
  /** the face that is drawn; the first one when it is not said */
  face?: Device['faces'][number] | undefined;
  cracks?: Iterable<readonly Pt[]> | undefined;
  heightPx?: number;
}

/** Room round the outline for its own line, mm. */
const marginMm = 4;

/** A device as small as a word, drawn from its model: outline, cameras, cracks. Said by the row that it stands in. */
export function DeviceThumb({ device, face = device.faces[0], cracks = [], heightPx = 48 }: DeviceThumbProps) {
  const c = useTokens();
  const leaf = device.leaves.find((l) => l.id === face?.leaf) ?? device.leaves[0];
  if (!leaf || !face) return null;
  const { min, max } = boxOf(leaf.outline);
  const [w, h] = [max[0] - min[0] + 2 * marginMm, max[1] - min[1] + 2 * marginMm];
  // every list has one width: a tablet is drawn smaller than a phone is, and stays in its column
  const scale = Math.min(heightPx / h, heightPx / w);
  return (
    <View aria-hidden className="items-center justify-center" style={{ width: heightPx * 0.8, height: heightPx }}>
      <Svg
        width={w * scale}
        height={h * scale}
        viewBox={`${min[0] - marginMm} ${min[1] - marginMm} ${w} ${h}`}
        pointerEvents="none"
      >
        <Path d={shapePath(leaf.outline)} fill={c.device} stroke={c.ink} strokeWidth={4} />
        {face.holes
          .filter((x) => x.role !== 'mic')
          .map((x) => (
            <Path key={x.id} d={shapePath(x.shape)} fill={c.panel} stroke={c.ink} strokeWidth={2.5} />
          ))}
        {[...cracks].map((pts, i) => (
          <Path key={i} d={polyline(pts)} fill="none" stroke={c.caution} strokeWidth={3} />
        ))}
      </Svg>
    </View>
  );
}
