import { boxOf } from '../device/shapes';
import type { Device, Part, Shape } from '../device/types';
import { judgement } from '../source';
import type { StripNode } from './removal';

/** Hands-on minutes of one removal; weights of the order, not promises. */
export const stripMinutes = {
  screw: judgement(0.25, 'one screw, min'),
  connector: judgement(0.3, 'one plug, min'),
  piece: judgement(0.5, 'a bracket or a small piece, min'),
  part: judgement(1.5, 'a part, min'),
  battery: judgement(6, 'a glued cell, min'),
};

export type StripKind = 'screws' | 'connector' | 'piece' | 'part';

export interface StripItem extends StripNode {
  name: string;
  kind: StripKind;
}

export interface UnderEdit {
  id: string;
  by: string;
  on: boolean;
}

/** Name of a zone of screws among the things to be stripped. */
export const zoneId = (zone: string) => `screws:${zone}`;

/** Parts that stay with the shell, and the side that the work goes in from. */
const stays = new Set<Part['kind']>(['rim', 'midPlate', 'hinge', 'display', 'button']);

/** Parts that are taken out of a shell. */
export const strippable = (p: Part): boolean => p.removable && !stays.has(p.kind);

/**
 * What comes off before what, from the model: screws hold their bracket or part; a bracket lies over what it covers; a plug
 * goes before its part; a part goes after what lies over it. Edits of the bench ("is under") are added or taken away.
 */
export function stripGraph(device: Device, edits: readonly UnderEdit[] = []): StripItem[] {
  const zones = [...new Set(device.screws.map((s) => s.zone))];
  const parts = device.parts.filter(strippable);
  const brackets = device.pieces.filter((p) => p.kind === 'bracket');
  const ids = new Set([
    ...zones.map(zoneId),
    ...parts.map((p) => p.id),
    ...device.connectors.map((c) => c.id),
    ...brackets.map((b) => b.id),
  ]);
  const holding = (id: string) =>
    zones.filter((z) => device.screws.some((s) => s.zone === z && s.holds === id)).map(zoneId);
  const over = (id: string) => brackets.filter((b) => b.covers.includes(id)).map((b) => b.id);
  const items: StripItem[] = [
    ...zones.map((z): StripItem => ({
      id: zoneId(z),
      name: `${z} screws`,
      kind: 'screws',
      cost: stripMinutes.screw.value * device.screws.filter((s) => s.zone === z).length,
      needs: [[]],
    })),
    ...device.connectors.map((c): StripItem => ({
      id: c.id,
      name: c.name,
      kind: 'connector',
      cost: stripMinutes.connector.value,
      needs: [over(c.id)],
      electrical: true,
      battery: c.battery,
    })),
    ...brackets.map((b): StripItem => ({
      id: b.id,
      name: b.name,
      kind: 'piece',
      cost: stripMinutes.piece.value,
      needs: [[...holding(b.id), ...over(b.id)]],
    })),
    ...parts.map((p): StripItem => ({
      id: p.id,
      name: p.name,
      kind: 'part',
      cost: p.kind === 'battery' ? stripMinutes.battery.value : stripMinutes.part.value,
      needs: p.needs ?? [
        [
          ...device.connectors.filter((c) => c.of === p.id).map((c) => c.id),
          ...holding(p.id),
          ...over(p.id),
          ...parts.filter((q) => q !== p && liesOver(q, p)).map((q) => q.id),
        ],
      ],
      electrical: true,
    })),
  ];
  // a plug that ends a part's own cable is off before the part, and carries the rule of the battery with it
  return items.map((i) => ({
    ...i,
    needs: i.needs.map((set) => {
      let s = set.filter((q) => ids.has(q) && q !== i.id);
      for (const e of edits) {
        if (e.id !== i.id || !ids.has(e.by) || e.by === i.id) continue;
        s = s.filter((q) => q !== e.by);
        if (e.on) s.push(e.by);
      }
      return [...new Set(s)];
    }),
  }));
}

/** Does q lie over p, seen from the side that the work goes in from? */
function liesOver(q: Part, p: Part): boolean {
  return (q.leaf ?? '') === (p.leaf ?? '') && q.toDepthMm <= p.fromDepthMm + 0.05 && overlap(q.shape, p.shape);
}

function overlap(a: Shape, b: Shape): boolean {
  const [x, y] = [boxOf(a), boxOf(b)];
  return x.min[0] < y.max[0] && y.min[0] < x.max[0] && x.min[1] < y.max[1] && y.min[1] < x.max[1];
}
