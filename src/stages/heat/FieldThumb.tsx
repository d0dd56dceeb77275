import { View } from 'react-native';

import type { ThermalModes } from '@/core/heat/modes';
import type { JointSeen } from '@/model/fold';
import { DeviceLines } from '@/ui/plan/BaseLayer';
import { FieldLayer } from '@/ui/plan/FieldLayer';
import { Plan } from '@/ui/plan/Plan';

/** The glue as a small picture, to the same tints everywhere; what it says stands beside it. */
export function FieldThumb({
  job,
  raster,
  fieldC,
  easyC,
  width,
  height,
}: {
  job: Pick<JointSeen, 'device' | 'bond'>;
  raster: ThermalModes['picture'];
  fieldC: Float64Array;
  easyC: number | null;
  width: number;
  height: number;
}) {
  return (
    <View pointerEvents="none" aria-hidden className="my-1">
      <Plan device={job.device} bond={job.bond} width={width} height={height} bare label="" lines={[]}>
        <FieldLayer valuesC={fieldC} raster={raster} boldC={easyC} />
        <DeviceLines inside={false} />
      </Plan>
    </View>
  );
}
