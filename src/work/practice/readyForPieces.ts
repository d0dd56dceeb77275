import { boxOf } from '@/core/device/shapes';
import type { Bond, Device } from '@/core/device/types';
import { shatter } from '@/core/practice/pieces/shatter';
import type { NewEvent } from '@/model/event';
import { asked } from './exercises';

/** What stands in the log of a shattered made-up device when it comes to its first heat: its cracks as the seed has them. */
export function readyForPieces(seed: number, device: Device, bond: Bond): NewEvent[] {
  const face = device.faces.find((f) => f.id === bond.onFace)!;
  const { outline } = face.cover;
  return [
    ...asked(bond.id, { work: 'glassOnly', closedBy: 'tape' }),
    { type: 'prep', item: 'toolsReady', done: true },
    ...shatter(seed, outline, boxOf(outline)).map((pts, i): NewEvent => ({
      ...{ type: 'crack', crackId: `crack${i}`, onFace: face.id },
      pts: pts.map(([x, y]): [number, number] => [x, y]),
    })),
    { type: 'liftMode', mode: 'pieces' },
    { type: 'stage', stage: 'intake', to: 'done' },
  ];
}
