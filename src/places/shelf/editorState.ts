import { checkDevice, type DeviceProblem } from '@/core/device/check';
import { centreOf, dragTo, twinOf } from '@/core/device/editing';
import { faceView } from '@/core/device/faceView';
import { bondPerimeter, faceOf } from '@/core/device/perimeter';
import { boxOf, contains, mirrorX } from '@/core/device/shapes';
import type { Bond, Device, Outline, PartKind, Pt } from '@/core/device/types';
import { keepOuts } from '@/core/lift/depth';
import { t as tr } from '@/words/shelf';

export type ItemKind = 'hole' | 'part' | 'cable' | 'screw' | 'patch';

export interface Selected {
  kind: ItemKind;
  id: string;
}

export interface EditorState {
  now: Device;
  past: Device[];
  /** last model that could be drawn */
  drawn: Device;
  bondId: string;
  selected: Selected | null;
  /** what is moved or set on one side follows on the other */
  symmetric: boolean;
  problems: DeviceProblem[];
}

export type EditorAction =
  | { do: 'edit'; make: (d: Device) => Device; /** a drag is one step to undo, not a hundred */ step?: 'same' }
  | { do: 'undo' }
  | { do: 'select'; selected: Selected | null }
  | { do: 'bond'; bondId: string }
  | { do: 'symmetric'; on: boolean }
  | { do: 'reset'; device: Device };

/** Can the plan be drawn from it? A part in the wrong place can; a ring wider than the phone cannot. */
export function drawable(d: Device, bondId: string): boolean {
  try {
    const bond = bondOf(d, bondId);
    const view = faceView(d, bond);
    const cover = faceOf(view.device, view.bond).cover.outline;
    const box = boxOf(cover);
    const half = Math.min(box.max[0] - box.min[0], box.max[1] - box.min[1]) / 2;
    if (!(half > bond.insetMm + bond.widthMm)) return false;
    if (checkDevice(d).some((p) => /outline|corner radius/.test(p.field))) return false;
    keepOuts(view.device, view.bond, new Set());
    return bondPerimeter(view.device, view.bond).lengthMm > 0;
  } catch {
    return false;
  }
}

export const bondOf = (d: Device, id: string): Bond => d.bonds.find((b) => b.id === id) ?? d.bonds[0]!;

export const startEditor = (device: Device): EditorState => ({
  now: device,
  past: [],
  drawn: device,
  bondId: device.bonds[0]!.id,
  selected: null,
  symmetric: false,
  problems: checkDevice(device),
});

const keepSteps = 100;

export function editor(s: EditorState, a: EditorAction): EditorState {
  switch (a.do) {
    case 'edit': {
      const now = a.make(s.now);
      if (now === s.now) return s;
      const past = a.step === 'same' ? s.past : [...s.past, s.now].slice(-keepSteps);
      return { ...s, now, past, drawn: drawable(now, s.bondId) ? now : s.drawn, problems: checkDevice(now) };
    }
    case 'undo': {
      const last = s.past[s.past.length - 1];
      if (!last) return s;
      return {
        ...s,
        now: last,
        past: s.past.slice(0, -1),
        drawn: drawable(last, s.bondId) ? last : s.drawn,
        problems: checkDevice(last),
      };
    }
    case 'select':
      return { ...s, selected: a.selected };
    case 'bond':
      return { ...s, bondId: a.bondId, selected: null, drawn: drawable(s.now, a.bondId) ? s.now : s.drawn };
    case 'symmetric':
      return { ...s, symmetric: a.on };
    case 'reset':
      return startEditor(a.device);
  }
}

/** How the face that is edited is turned: shapes are shown as looked at and stored as seen from behind. */
export function turnOf(d: Device, bondId: string): { width: number; front: boolean; leafId: string; faceKey: string } {
  const bond = bondOf(d, bondId);
  const face = faceOf(d, bond);
  const leaf = d.leaves.find((l) => l.id === face.leaf) ?? d.leaves[0]!;
  const box = boxOf(leaf.outline);
  return { width: box.min[0] + box.max[0], front: face.side === 'front', leafId: leaf.id, faceKey: face.id };
}

export const turned = <S extends Outline>(shape: S, t: { width: number; front: boolean }): S =>
  t.front ? mirrorX(shape, t.width) : shape;

interface Placed {
  kind: ItemKind;
  id: string;
  name: string;
  /** as looked at */
  shape: Outline;
}

/** Everything on a face that has a place of its own: what can be picked on the plan and moved. */
export function placed(d: Device, bondId: string): Placed[] {
  const t = turnOf(d, bondId);
  const face = d.faces.find((f) => f.id === t.faceKey)!;
  const leafOf = (id: string | undefined) => id ?? d.leaves[0]!.id;
  return [
    ...face.holes.map((h): Placed => ({ kind: 'hole', id: h.id, name: h.id, shape: turned(h.shape, t) })),
    ...d.parts.flatMap((p): Placed[] =>
      leafOf(p.leaf) === t.leafId && p.shape.kind !== 'band' && !fixed.has(p.kind)
        ? [{ kind: 'part', id: p.id, name: p.name, shape: turned(p.shape, t) }]
        : [],
    ),
    ...bondOf(d, bondId).patches.map((p, i): Placed => ({
      kind: 'patch',
      id: String(i),
      name: tr('patch', { i: i + 1 }),
      shape: turned(p, t),
    })),
    ...d.screws
      .filter((s) => leafOf(s.leaf) === t.leafId)
      .map((s): Placed => ({
        kind: 'screw',
        id: s.id,
        name: tr('screw', { id: s.id }),
        shape: turned({ kind: 'disc', c: s.at, rMm: Math.max(1.2, s.diaMm) }, t),
      })),
  ];
}

/** Shells follow the outline and are not moved. */
export const fixed = new Set<PartKind>(['rim', 'midPlate']);

/** The smallest thing at a place. */
export function hit(d: Device, bondId: string, p: Pt): Placed | null {
  const size = (o: Outline) => {
    const b = boxOf(o);
    return (b.max[0] - b.min[0]) * (b.max[1] - b.min[1]);
  };
  const at = placed(d, bondId).filter((x) => contains(x.shape, p, 1));
  return at.reduce<Placed | null>((best, x) => (best && size(best.shape) <= size(x.shape) ? best : x), null);
}

/** Puts a shape (as looked at) to an item. */
export function withShape(d: Device, bondId: string, item: Selected, shape: Outline): Device {
  const t = turnOf(d, bondId);
  const stored = turned(shape, t);
  if (item.kind === 'hole')
    return {
      ...d,
      faces: d.faces.map((f) =>
        f.id === t.faceKey ? { ...f, holes: f.holes.map((h) => (h.id === item.id ? { ...h, shape: stored } : h)) } : f,
      ),
    };
  if (item.kind === 'part')
    return { ...d, parts: d.parts.map((p) => (p.id === item.id ? { ...p, shape: stored } : p)) };
  if (item.kind === 'patch')
    return {
      ...d,
      bonds: d.bonds.map((b) =>
        b.id === bondId ? { ...b, patches: b.patches.map((x, i) => (String(i) === item.id ? stored : x)) } : b,
      ),
    };
  if (item.kind === 'screw') {
    const at = centreOf(stored);
    return { ...d, screws: d.screws.map((s) => (s.id === item.id ? { ...s, at } : s)) };
  }
  return d;
}

const near = (a: Outline, b: Outline) => {
  const [p, q] = [centreOf(a), centreOf(b)];
  return a.kind === b.kind && Math.hypot(p[0] - q[0], p[1] - q[1]) < 0.2;
};

/** The same, and on the other side of the middle line where a twin stands there. */
export function withShapeBothSides(d: Device, bondId: string, item: Selected, shape: Outline, both: boolean): Device {
  const all = placed(d, bondId);
  const old = all.find((x) => x.kind === item.kind && x.id === item.id);
  const next = withShape(d, bondId, item, shape);
  if (!both || !old) return next;
  const { width } = turnOf(d, bondId);
  const was = twinOf(old.shape, width);
  const twin = was && all.find((x) => x.kind === item.kind && x.id !== item.id && near(x.shape, was));
  return twin ? withShape(next, bondId, twin, mirrorX(shape, width)) : next;
}

/** Drags an item so that its centre comes to a place; snaps to the middle line and to its neighbours. */
export function dragged(d: Device, bondId: string, item: Selected, to: Pt, both: boolean): Device {
  const all = placed(d, bondId);
  const own = all.find((x) => x.kind === item.kind && x.id === item.id);
  if (!own) return d;
  const { width } = turnOf(d, bondId);
  const neighbours = all.filter((x) => x !== own && x.kind === item.kind).map((x) => x.shape);
  return withShapeBothSides(d, bondId, item, dragTo(own.shape, to, width / 2, neighbours), both);
}
