import { jointOf } from './jointKinds';
import { adhesives } from '../adhesives';
import { functionTests } from '../functions/tables';
import { coverStrengths } from '../lift/strength';
import { cableFold, openEnoughDeg } from './cableFold';
import { faceView } from './faceView';
import { materials } from './materials';
import { bondPerimeter } from './perimeter';
import { distanceToLoops, inwardCorner, polygonOf, selfCrossing, signedArea } from './polygon';
import { boxOf, insideDistanceMm, inset } from './shapes';
import type { Device, Face, Leaf, Outline, Part, Pt, Shape } from './types';

/** What is wrong with a device model: the field, what stands there, what is allowed. */
export interface DeviceProblem {
  field: string;
  given: string;
  allowed: string;
}

const mm = (v: number) => `${Math.round(v * 100) / 100} mm`;
/** Outlines may touch: rounding of typed numbers is no fault, mm. */
const slackMm = 0.05;

/** All problems of a device model, in the order of the model; empty when it can be worked with. */
export function checkDevice(d: Device): DeviceProblem[] {
  const out: DeviceProblem[] = [];
  const say = (field: string, given: string, allowed: string) => void out.push({ field, given, allowed });
  const unique = (what: string, ids: readonly string[]) =>
    ids.forEach((id, i) => {
      if (ids.indexOf(id) !== i) say(what, `"${id}" stands twice`, 'each id once');
    });
  unique(
    'leaves',
    d.leaves.map((l) => l.id),
  );
  unique(
    'faces',
    d.faces.map((f) => f.id),
  );
  unique(
    'bonds',
    d.bonds.map((b) => b.id),
  );
  unique(
    'parts',
    d.parts.map((p) => p.id),
  );
  unique(
    'cables',
    d.cables.map((c) => c.id),
  );
  unique(
    'screws',
    d.screws.map((s) => s.id),
  );

  for (const l of d.leaves) checkOutline(say, `leaf ${l.id}: outline`, l.outline, true);
  for (const f of d.faces) {
    checkOutline(say, `face ${f.id}: outline of the cover`, f.cover.outline, true);
    for (const h of f.holes) checkOutline(say, `face ${f.id}: ${h.id}`, h.shape, false);
  }
  for (const p of d.parts) checkOutline(say, p.name, p.shape.kind === 'band' ? p.shape.of : p.shape, false);
  for (const b of d.bonds) b.patches.forEach((p, i) => checkOutline(say, `bond ${b.id}: patch ${i + 1}`, p, false));
  // what follows reckons with sound outlines
  if (out.length) return out;

  if (!d.faces.some((f) => f.id === d.insideThrough))
    say('the inside is reached through', `"${d.insideThrough}"`, d.faces.map((f) => f.id).join(', '));
  for (const f of d.faces) checkFace(say, d, f);
  for (const p of d.parts) checkPart(say, d, p);
  checkOverlaps(say, d);
  for (const b of d.bonds) checkBond(say, d, b);
  if (out.length) return out;
  checkCables(say, d);
  for (const s of d.screws) {
    const leaf = leafOf(d, s.leaf);
    if (leaf && insideDistanceMm(leaf.outline, s.at) < 0) say(`screw ${s.id}`, 'outside the outline', 'inside it');
    if (s.lengthMm <= s.stackMm)
      say(`screw ${s.id}: length`, mm(s.lengthMm), `more than the ${mm(s.stackMm)} that it passes`);
    else if (s.lengthMm - s.stackMm > s.bossDepthMm)
      say(`screw ${s.id}: length`, mm(s.lengthMm), `up to ${mm(s.stackMm + s.bossDepthMm)}, or it goes through`);
  }
  const known = new Set(functionTests.map((t) => t.id));
  for (const f of d.functions) if (!known.has(f)) say('functions', `"${f}"`, [...known].join(', '));
  return out;
}

type Say = (field: string, given: string, allowed: string) => void;

const leafOf = (d: Device, id: string | undefined): Leaf | undefined =>
  id === undefined ? d.leaves[0] : d.leaves.find((l) => l.id === id);

function checkOutline(say: Say, field: string, o: Outline, convex: boolean): void {
  if (o.kind === 'disc') return;
  if (o.kind === 'roundRect') {
    const w = o.max[0] - o.min[0];
    const h = o.max[1] - o.min[1];
    if (w <= 0.2 || h <= 0.2) say(field, `${mm(w)} by ${mm(h)}`, 'at least 0.2 mm either way');
    else if (o.rMm > Math.min(w, h) / 2 + 1e-6)
      say(`${field}: corner radius`, mm(o.rMm), `0 to ${mm(Math.min(w, h) / 2)}`);
    return;
  }
  const crossing = selfCrossing(o.pts);
  if (crossing)
    return say(field, `side ${crossing[0]} meets side ${crossing[1]}`, 'an outline that does not cross itself');
  if (Math.abs(signedArea(o.pts)) < 0.05) return say(field, 'no area', 'a closed outline round an area');
  const corner = convex ? inwardCorner(o.pts) : null;
  if (corner) say(field, `corner ${corner} turns inward`, 'an outline whose corners all turn outward');
}

/** Worst place of a shape outside an outline, mm; 0 when it lies inside. */
function outsideMm(shape: Shape, of: Outline): number {
  const o = shape.kind === 'band' ? inset(shape.of, shape.fromMm) : shape;
  return Math.max(0, ...polygonOf(o).map((p) => -insideDistanceMm(of, p)));
}

function checkFace(say: Say, d: Device, f: Face): void {
  const leaf = leafOf(d, f.leaf);
  if (!leaf) return say(`face ${f.id}: leaf`, `"${f.leaf}"`, d.leaves.map((l) => l.id).join(', '));
  if (!coverStrengths[f.cover.strength])
    say(`face ${f.id}: strength`, `"${f.cover.strength}"`, Object.keys(coverStrengths).join(', '));
  if (!materials[f.cover.material])
    say(`face ${f.id}: material`, `"${f.cover.material}"`, Object.keys(materials).join(', '));
  const out = outsideMm(f.cover.outline, leaf.outline);
  if (out > slackMm) say(`face ${f.id}: outline of the cover`, `${mm(out)} outside the device`, 'inside its outline');
  if (f.cover.hMm >= leaf.thicknessMm)
    say(`face ${f.id}: thickness of the cover`, mm(f.cover.hMm), `less than the ${mm(leaf.thicknessMm)} of the device`);
  f.holes.forEach((h, i) => {
    const o = outsideMm(h.shape, f.cover.outline);
    if (o > slackMm) say(`${h.id}`, `${mm(o)} outside the cover`, 'inside it');
    f.holes.slice(0, i).forEach((g) => {
      if (distanceToLoops([polygonOf(h.shape)], g.shape) <= 0) say(h.id, `runs into ${g.id}`, 'holes that stand apart');
    });
  });
}

function checkPart(say: Say, d: Device, p: Part): void {
  const leaf = leafOf(d, p.leaf);
  if (!leaf) return say(`${p.name}: leaf`, `"${p.leaf}"`, d.leaves.map((l) => l.id).join(', '));
  if (!materials[p.material]) say(`${p.name}: material`, `"${p.material}"`, Object.keys(materials).join(', '));
  const out = outsideMm(p.shape, leaf.outline);
  if (out > slackMm) say(p.name, `${mm(out)} outside the outline`, 'inside it');
  if (p.fromDepthMm >= p.toDepthMm)
    say(`${p.name}: depth`, `${mm(p.fromDepthMm)} to ${mm(p.toDepthMm)}`, 'from less than to');
  if (p.toDepthMm > leaf.thicknessMm + 1e-6)
    say(`${p.name}: depth`, mm(p.toDepthMm), `up to the device's ${mm(leaf.thicknessMm)}`);
}

/** Solid parts cannot share a place; shells (rim, plate, display) are left out. */
function checkOverlaps(say: Say, d: Device): void {
  const solid = d.parts.filter((p) => ['battery', 'board', 'camera', 'coil', 'hinge', 'speaker'].includes(p.kind));
  solid.forEach((p, i) =>
    solid.slice(0, i).forEach((q) => {
      if (leafOf(d, p.leaf) !== leafOf(d, q.leaf)) return;
      if (Math.min(p.toDepthMm, q.toDepthMm) - Math.max(p.fromDepthMm, q.fromDepthMm) < 0.1) return;
      if (p.shape.kind === 'band' || q.shape.kind === 'band') return;
      // touching side by side is how parts are built
      const [a, b] = [polygonOf(inset(p.shape, slackMm)), inset(q.shape, slackMm)];
      if (distanceToLoops([a], b) <= 0) say(p.name, `in the same place as ${q.name}`, 'a place of its own');
    }),
  );
}

function checkBond(say: Say, d: Device, b: Device['bonds'][number]): void {
  const face = d.faces.find((f) => f.id === b.onFace);
  if (!face) return say(`bond ${b.id}: face`, `"${b.onFace}"`, d.faces.map((f) => f.id).join(', '));
  if (!adhesives.has(b.adhesive)) say(`bond ${b.id}: adhesive`, `"${b.adhesive}"`, [...adhesives.keys()].join(', '));
  const box = boxOf(face.cover.outline);
  const half = Math.min(box.max[0] - box.min[0], box.max[1] - box.min[1]) / 2;
  const need = b.insetMm + b.widthMm;
  if (need >= half)
    return say(
      `bond ${b.id}: ring width`,
      `${mm(b.widthMm)} at an inset of ${mm(b.insetMm)}`,
      `together less than half the cover's width, ${mm(half)}`,
    );
  if (jointOf(b).band)
    for (const h of face.holes) {
      const nearest = Math.min(...polygonOf(h.shape).map((p: Pt) => insideDistanceMm(face.cover.outline, p)));
      if (nearest < need - slackMm && h.role === 'camera')
        say(
          `bond ${b.id}: ring width`,
          mm(b.widthMm),
          `up to ${mm(Math.max(0, nearest - b.insetMm))}, or it lies over ${h.id}`,
        );
    }
  b.patches.forEach((p, i) => {
    const out = outsideMm(p, face.cover.outline);
    if (out > slackMm) say(`bond ${b.id}: patch ${i + 1}`, `${mm(out)} outside the cover`, 'inside it');
    for (const h of face.holes)
      if (distanceToLoops([polygonOf(p)], h.shape) <= 0 && h.role === 'camera')
        say(`bond ${b.id}: patch ${i + 1}`, `over ${h.id}`, 'clear of the lenses');
  });
  const length = bondPerimeter(d, b).lengthMm;
  b.gaps.forEach((g, i) => {
    if (g.toMm <= g.fromMm || g.toMm - g.fromMm >= length)
      say(`bond ${b.id}: gap ${i + 1}`, `${mm(g.fromMm)} to ${mm(g.toMm)}`, `shorter than the ring's ${mm(length)}`);
  });
}

/** A cable that is too short for the way its cover is folded tears: that is the model's business to know. */
function checkCables(say: Say, d: Device): void {
  for (const c of d.cables) {
    const bond = d.bonds.find((b) => b.onFace === (c.onFace ?? 'back'));
    if (!bond) {
      say(`${c.name}: face`, `"${c.onFace ?? 'back'}"`, d.bonds.map((b) => b.onFace).join(', '));
      continue;
    }
    const view = faceView(d, bond);
    const seen = view.device.cables.find((x) => x.id === c.id)!;
    const length = bondPerimeter(view.device, view.bond).lengthMm;
    if (c.at.fromMm < -length || c.at.toMm > 2 * length || c.at.toMm <= c.at.fromMm)
      say(`${c.name}: place`, `${mm(c.at.fromMm)} to ${mm(c.at.toMm)}`, `along the ring's ${mm(length)}`);
    const fold = cableFold(view.device, view.bond, seen);
    if (!c.unplugFirst && fold.maxDeg < openEnoughDeg.value)
      say(
        `${c.name}: length`,
        `${mm(c.slackMm)} of slack, taut at ${Math.round(fold.maxDeg)}° when folded toward the ${c.foldToward}`,
        `at least ${mm(Math.SQRT2 * fold.leverMm)} for ${openEnoughDeg.value}°, another side, or "unplug first"`,
      );
  }
}
