import { boxOf } from '../device/shapes';
import type { Connector, Device, Pt } from '../device/types';
import { judgement } from '../source';

export const neighbourMm = judgement(6, 'what lies this near to a plug is at risk from the tool, mm');

/** Way from a place to a box, mm. */
const toBox = (p: Pt, b: { min: Pt; max: Pt }) =>
  Math.hypot(Math.max(b.min[0] - p[0], 0, p[0] - b.max[0]), Math.max(b.min[1] - p[1], 0, p[1] - b.max[1]));

/** Names of what is near a plug and not its own part: lift from the other side. And the side with most room. */
export function plugNeighbours(
  device: Device,
  c: Connector,
): { names: string[]; from: 'left' | 'right' | 'above' | 'below' } {
  const plugs = device.connectors
    .filter((o) => o.id !== c.id && Math.hypot(o.at[0] - c.at[0], o.at[1] - c.at[1]) <= neighbourMm.value + 2)
    .map((o) => ({ name: o.name, at: o.at }));
  const parts = device.parts
    .filter((p) => p.id !== c.of && ['battery', 'camera', 'button', 'coil', 'reader'].includes(p.kind))
    .map((p) => ({ name: p.name, box: boxOf(p.shape) }))
    .filter((p) => toBox(c.at, p.box) <= neighbourMm.value)
    .map((p) => ({
      name: p.name,
      at: [(p.box.min[0] + p.box.max[0]) / 2, (p.box.min[1] + p.box.max[1]) / 2] as Pt,
    }));
  const near = [...plugs, ...parts];
  const dx = near.reduce((m, n) => m + Math.sign(n.at[0] - c.at[0]), 0);
  const dy = near.reduce((m, n) => m + Math.sign(n.at[1] - c.at[1]), 0);
  const from =
    Math.abs(dx) >= Math.abs(dy) ? (dx > 0 ? 'left' : 'right') : dy > 0 ? ('above' as const) : ('below' as const);
  return { names: near.map((n) => n.name), from };
}
