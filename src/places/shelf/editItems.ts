import { centreOf, freshId, twinOf } from '@/core/device/editing';
import type { Device, Hole, Outline, Part, PartKind, ScrewHole } from '@/core/device/types';
import { cable as makeCable, partDefaults } from '@/model/buildDevice';
import { materials } from '@/core/device/materials';
import { type ItemKind, type Selected, bondOf, turnOf, placed, withShape } from './editorState';

/** A new item in the middle of the face, and which one it is. */
export function added(
  d: Device,
  bondId: string,
  kind: ItemKind,
  partKind: PartKind = 'other',
): { device: Device; item: Selected } {
  const t = turnOf(d, bondId);
  const face = d.faces.find((f) => f.id === t.faceKey)!;
  const c = centreOf(face.cover.outline);
  const leaf = d.leaves.length > 1 && d.leaves[0]!.id !== t.leafId ? { leaf: t.leafId } : {};
  if (kind === 'hole') {
    const id = freshId(
      'lens',
      d.faces.flatMap((f) => f.holes.map((h) => h.id)),
    );
    const hole: Hole = { id, shape: { kind: 'disc', c, rMm: 4 }, role: 'camera' };
    return {
      device: { ...d, faces: d.faces.map((f) => (f.id === t.faceKey ? { ...f, holes: [...f.holes, hole] } : f)) },
      item: { kind, id },
    };
  }
  if (kind === 'cable') {
    const id = freshId(
      'cable',
      d.cables.map((x) => x.id),
    );
    const new_ = makeCable({
      id,
      name: 'cable',
      onFace: t.faceKey,
      at: { fromMm: 60, toMm: 66 },
      slackMm: 40,
      foldToward: 'left',
    });
    return { device: { ...d, cables: [...d.cables, new_] }, item: { kind, id } };
  }
  if (kind === 'screw') {
    const id = freshId(
      'screw',
      d.screws.map((x) => x.id),
    );
    const screw: ScrewHole = {
      id,
      at: c,
      ...leaf,
      zone: 'A',
      head: 'cross',
      diaMm: 1.2,
      lengthMm: 2,
      stackMm: 0.5,
      bossDepthMm: 2.2,
      minEngageMm: 1,
    };
    return { device: { ...d, screws: [...d.screws, screw] }, item: { kind, id } };
  }
  if (kind === 'patch') {
    const patch: Outline = { kind: 'roundRect', min: [c[0] - 5, c[1] - 3], max: [c[0] + 5, c[1] + 3], rMm: 1 };
    const bond = bondOf(d, bondId);
    return {
      device: { ...d, bonds: d.bonds.map((b) => (b.id === bondId ? { ...b, patches: [...b.patches, patch] } : b)) },
      item: { kind, id: String(bond.patches.length) },
    };
  }
  const id = freshId(
    partKind,
    d.parts.map((p) => p.id),
  );
  const depth = depthFor(d, t.leafId, partKind, face.cover.hMm + bondOf(d, bondId).gapMm);
  const part: Part = {
    id,
    name: partKind,
    kind: partKind,
    ...leaf,
    shape:
      partKind === 'coil'
        ? { kind: 'disc', c, rMm: 15 }
        : { kind: 'roundRect', min: [c[0] - 5, c[1] - 5], max: [c[0] + 5, c[1] + 5], rMm: 0 },
    ...depth,
    material: partKind in materials ? partKind : 'polymer',
    removable: true,
    ...partDefaults(partKind),
  };
  return { device: { ...d, parts: [...d.parts, part] }, item: { kind, id } };
}

/** A new part lies where its like lie: in the room over the core, or in the core. */
function depthFor(d: Device, leafId: string, kind: PartKind, top: number): { fromDepthMm: number; toDepthMm: number } {
  const own = d.parts.filter((p) => (p.leaf ?? d.leaves[0]!.id) === leafId);
  const like =
    own.find((p) => p.kind === kind) ??
    own.find((p) => p.kind === (['coil', 'button', 'flash', 'mic'].includes(kind) ? 'coil' : 'battery'));
  if (like) return { fromDepthMm: like.fromDepthMm, toDepthMm: like.toDepthMm };
  const end = d.leaves.find((l) => l.id === leafId)!.thicknessMm;
  return { fromDepthMm: Math.min(top, end / 2), toDepthMm: end / 2 + 0.5 };
}

export function removed(d: Device, bondId: string, item: Selected): Device {
  const t = turnOf(d, bondId);
  switch (item.kind) {
    case 'hole':
      return {
        ...d,
        faces: d.faces.map((f) => (f.id === t.faceKey ? { ...f, holes: f.holes.filter((h) => h.id !== item.id) } : f)),
      };
    case 'part':
      return { ...d, parts: d.parts.filter((p) => p.id !== item.id) };
    case 'cable':
      return { ...d, cables: d.cables.filter((c) => c.id !== item.id) };
    case 'screw':
      return { ...d, screws: d.screws.filter((s) => s.id !== item.id) };
    case 'patch':
      return {
        ...d,
        bonds: d.bonds.map((b) =>
          b.id === bondId ? { ...b, patches: b.patches.filter((_, i) => String(i) !== item.id) } : b,
        ),
      };
  }
}

/** The same item once more on the other side of the middle line; null when it stands on the line. */
export function withTwin(d: Device, bondId: string, item: Selected): { device: Device; item: Selected } | null {
  const own = placed(d, bondId).find((x) => x.kind === item.kind && x.id === item.id);
  const { width } = turnOf(d, bondId);
  const shape = own && twinOf(own.shape, width);
  if (!shape) return null;
  const kind = d.parts.find((p) => p.id === item.id)?.kind;
  const more = added(d, bondId, item.kind, kind);
  // everything but the place is that of the first one
  const like = copyOfItem(d, bondId, item);
  const device = like ? withItem(more.device, bondId, more.item, (x) => ({ ...like, id: x.id })) : more.device;
  return { device: withShape(device, bondId, more.item, shape), item: more.item };
}

type AnyItem = Hole | Part | ScrewHole | Device['cables'][number];

function copyOfItem(d: Device, bondId: string, item: Selected): AnyItem | null {
  const t = turnOf(d, bondId);
  const lists = {
    hole: d.faces.find((f) => f.id === t.faceKey)!.holes as AnyItem[],
    part: d.parts as AnyItem[],
    screw: d.screws as AnyItem[],
    cable: d.cables as AnyItem[],
    patch: [] as AnyItem[],
  };
  return lists[item.kind].find((x) => x.id === item.id) ?? null;
}

/** Changes one item by a function. */
export function withItem(d: Device, bondId: string, item: Selected, change: (x: AnyItem) => AnyItem): Device {
  const t = turnOf(d, bondId);
  const on = <T extends AnyItem>(list: T[]): T[] => list.map((x) => (x.id === item.id ? (change(x) as T) : x));
  switch (item.kind) {
    case 'hole':
      return { ...d, faces: d.faces.map((f) => (f.id === t.faceKey ? { ...f, holes: on(f.holes) } : f)) };
    case 'part':
      return { ...d, parts: on(d.parts) };
    case 'screw':
      return { ...d, screws: on(d.screws) };
    case 'cable':
      return { ...d, cables: on(d.cables) };
    default:
      return d;
  }
}
