import { faceOf } from './perimeter';
import { boxOf, mirrorX } from './shapes';
import type { Bond, Device, Pt } from './types';

export interface FaceView {
  device: Device;
  bond: Bond;
}

/**
 * The device as somebody sees it who looks at the face of a bond: that face's leaf alone, and for a front face depth and x
 * turned over (law 17: heating from the front is the same stack with depth and x reversed). Everything that is
 * computed, drawn and recorded on a face is in this frame. The back of a device with one leaf is returned as it is.
 */
export function faceView(device: Device, bond: Bond): FaceView {
  const face = faceOf(device, bond);
  const first = device.leaves[0];
  const leaf = device.leaves.find((l) => l.id === face.leaf) ?? first;
  if (!leaf || !first) return { device, bond };
  const front = face.side === 'front';
  const ownCables = device.cables.every((c) => (c.onFace ?? 'back') === face.id);
  if (!front && device.leaves.length === 1 && ownCables) return { device, bond };
  const box = boxOf(leaf.outline);
  const width = box.min[0] + box.max[0];
  const d = leaf.thicknessMm;
  const turnPt = ([x, y]: Pt): Pt => (front ? [width - x, y] : [x, y]);
  const leafOf = (id: string | undefined) => id ?? first.id;
  const turned = {
    ...device,
    leaves: [front ? { ...leaf, outline: mirrorX(leaf.outline, width) } : leaf],
    // a face's own cover and holes are stored in the plan frame too, and turn with it
    faces: device.faces
      .filter((f) => f.leaf === leaf.id)
      .map((f) =>
        front
          ? {
              ...f,
              cover: { ...f.cover, outline: mirrorX(f.cover.outline, width) },
              holes: f.holes.map((h) => ({ ...h, shape: mirrorX(h.shape, width) })),
            }
          : f,
      ),
    parts: device.parts
      .filter((p) => leafOf(p.leaf) === leaf.id)
      .map((p) =>
        front
          ? { ...p, shape: mirrorX(p.shape, width), fromDepthMm: d - p.toDepthMm, toDepthMm: d - p.fromDepthMm }
          : p,
      ),
    // a cable's place and the way its cover is folded are said as looked at
    cables: device.cables.filter((c) => (c.onFace ?? 'back') === face.id),
    screws: device.screws.filter((h) => leafOf(h.leaf) === leaf.id).map((h) => ({ ...h, at: turnPt(h.at) })),
    connectors: device.connectors.filter((c) => leafOf(c.leaf) === leaf.id).map((c) => ({ ...c, at: turnPt(c.at) })),
    pieces: device.pieces.filter((p) => leafOf(p.leaf) === leaf.id).map((p) => ({ ...p, at: turnPt(p.at) })),
  };
  const turnedBond = front ? { ...bond, patches: bond.patches.map((p) => mirrorX(p, width)) } : bond;
  return {
    device: { ...turned, bonds: device.bonds.map((b) => (b.id === bond.id ? turnedBond : b)) },
    bond: turnedBond,
  };
}
