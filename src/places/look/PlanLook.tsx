import { View } from 'react-native';

import { RoutePicture } from '@/bench-kit/RoutePicture';
import { bondPerimeter } from '@/core/device/perimeter';
import { plainWay } from '@/model/way';
import { shippedDevices } from '@/model/shippedDevices';
import { DeviceBody, DeviceLines } from '@/ui/plan/BaseLayer';
import { DeviceThumb } from '@/ui/plan/DeviceThumb';
import { FieldLayer } from '@/ui/plan/FieldLayer';
import { BladeMark, Numbers, Soundings } from '@/ui/plan/layers';
import { Plan } from '@/ui/plan/Plan';
import { QrCode } from '@/ui/QrCode';
import { Group } from './Group';

const device = shippedDevices[0]!;
const bond = device.bonds[0]!;
const path = bondPerimeter(device, bond);
const raster = { nx: 12, ny: 24, originMm: [0, 0] as [number, number], stepMm: [6.6, 7] as [number, number] };
/** A warm foot and a cold head, made up. */
const field = Float64Array.from({ length: raster.nx * raster.ny }, (_, i) => 35 + 2.6 * Math.floor(i / raster.nx));
const way = plainWay(bond.id);
const job = {
  way,
  step: way[2]!,
  progress: { [way[0]!.key]: 'done' as const, [way[1]!.key]: 'done' as const, [way[6]!.key]: 'skipped' as const },
};

/** The device: as a plan in layers, as a thumbnail, and how far a job on it is. */
export function PlanLook() {
  return (
    <Group name="Plan, layers, thumbnail, route, code">
      <View className="flex-row flex-wrap gap-4">
        <Plan device={device} bond={bond} width={150} height={300} label="plan" lines={[]}>
          <DeviceBody />
          <DeviceLines />
          <Numbers
            items={[
              { at: path.point(20).at, text: '1', state: 'done' },
              { at: path.point(60).at, text: '2', state: 'next' },
              { at: path.point(120).at, text: '3', state: 'todo' },
            ]}
          />
          <BladeMark at={path.point(60).at} into={path.point(60).normal} />
        </Plan>
        <Plan device={device} bond={bond} width={150} height={300} bare label="field" lines={[]}>
          <FieldLayer valuesC={field} raster={raster} boldC={62} />
          <DeviceLines inside={false} />
          <Soundings onField items={[{ at: path.point(120).at, text: '58', ring: true, bold: true }]} />
        </Plan>
      </View>
      <View className="flex-row gap-4 items-center">
        {shippedDevices.slice(0, 4).map((d) => (
          <DeviceThumb key={d.id} device={d} />
        ))}
        <QrCode text="https://bench.local/tag" sizePx={72} />
      </View>
      <RoutePicture job={job} />
    </Group>
  );
}
