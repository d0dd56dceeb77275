import { coverKindOf } from '../core/device/coverKinds';
import { jointOf } from '../core/device/jointKinds';
import { faceOf } from '../core/device/perimeter';
import type { Bond, Device } from '../core/device/types';
import { coverOf, coverWork, workDefs, works, worksFor, type Work, type WorkFace } from '../core/intake/works';
import { judgement } from '../core/source';

/** One thing that is to be done, and the joint that it opens and closes. */
export interface JobWork {
  joint: string;
  work: Work;
}

/** The face of a joint, as far as it is asked what can be done there. */
export function workFace(device: Device, bond: Bond): WorkFace {
  const own = faceOf(device, bond);
  const { construction, side } = own;
  const frontOpens = device.bonds.some((b) => {
    const face = faceOf(device, b);
    return face.side === 'front' && !coverKindOf(face).lens;
  });
  return { construction, side, frontOpens, hasDisplay: showsDisplay(device, own) };
}

/** How deep under a cover a display may begin and still be glued to it, mm: anything between would be seen. */
const underCoverMm = judgement(0.8, 'cover glass and display are one piece');

/** A display is glued to this cover: a front, or the outer screen of a folding device. */
export function showsDisplay(device: Pick<Device, 'parts' | 'leaves'>, face: Device['faces'][number]): boolean {
  if (coverKindOf(face).lens) return false;
  if (face.side === 'front') return true;
  const first = device.leaves[0]?.id;
  return device.parts.some(
    (p) =>
      p.kind === 'display' && (p.leaf ?? first) === face.leaf && p.fromDepthMm <= face.cover.hMm + underCoverMm.value,
  );
}

/** The work that renews the cover of a joint alone. */
export const coverWorkAt = (at: { model: Device; bond: Bond }): Work => coverWork(workFace(at.model, at.bond));

/** What can be opened on a model: each face, and all its lens covers as one. */
export function openable(device: Device): string[] {
  const lens = device.bonds.filter((b) => coverKindOf(faceOf(device, b)).lens);
  return device.bonds.filter((b) => !lens.includes(b) || b === lens[0]).map((b) => b.id);
}

/**
 * All that can be done on a model: what is broken most often first; work inside through the face that leads there, and
 * opening and closing again, last.
 */
export function worksOn(device: Device): JobWork[] {
  const joints = openable(device);
  const bondOf = (id: string) => device.bonds.find((b) => b.id === id)!;
  const all = joints.flatMap((joint) => worksFor(workFace(device, bondOf(joint))).map((work) => ({ joint, work })));
  const leads = joints.filter((j) => bondOf(j).onFace === device.insideThrough);
  const rank = (x: JobWork) =>
    x.work === 'openClose' ? 3 : x.work === 'inside' ? (leads.includes(x.joint) ? 1 : 2) : 0;
  return [...all].sort((a, b) => rank(a) - rank(b));
}

/** Two works that cannot both be done at one joint: both renew its cover, or one of them does nothing else. */
function excludes(device: Device, a: JobWork, b: JobWork): boolean {
  if (a.joint !== b.joint) return false;
  const bond = device.bonds.find((x) => x.id === a.joint);
  const { side } = bond ? workFace(device, bond) : { side: 'back' as const };
  const renews = (w: Work) => coverOf(w, side) === 'new';
  // a display with its frame and a whole housing are each the whole device
  const whole = (w: Work) => workDefs[w].puts.includes('housingSwap');
  return (
    a.work === 'openClose' ||
    b.work === 'openClose' ||
    (renews(a.work) && renews(b.work)) ||
    (whole(a.work) && (whole(b.work) || b.work === 'inside')) ||
    (whole(b.work) && a.work === 'inside')
  );
}

/**
 * What has to come off before this joint; null: nothing. A back that is glued all over needs more heat than what is inside
 * bears: where the inside is reached from the front, the screen comes off first. Lens glass in a frame is pushed out from
 * behind: whatever leads inside is opened for it. Common practice.
 */
export function openedBefore(device: Device, joint: string): string | null {
  const bond = device.bonds.find((b) => b.id === joint);
  const leads = device.bonds.find((b) => b.onFace === device.insideThrough && !coverKindOf(faceOf(device, b)).lens);
  if (!bond || !leads || leads.id === joint) return null;
  const face = faceOf(device, bond);
  const front = faceOf(device, leads).side === 'front';
  const hot = jointOf(bond).wholeFace && face.side === 'back' && front;
  return hot || coverKindOf(face).fromBehind ? leads.id : null;
}

/** The list with one thing put on or taken off; what cannot be done beside it goes, what has to come before it comes with it. */
export function chosenWith(device: Device, list: readonly JobWork[], one: JobWork, on: boolean): JobWork[] {
  const rest = list.filter((x) => x.joint !== one.joint || x.work !== one.work);
  const before = openedBefore(device, one.joint);
  if (!on) {
    // what was only opened for this stays shut
    const still = before !== null && rest.some((x) => openedBefore(device, x.joint) === before);
    return before === null || still ? rest : rest.filter((x) => x.joint !== before || x.work !== 'openClose');
  }
  const kept = [...rest.filter((x) => !excludes(device, x, one)), one];
  return before === null || kept.some((x) => x.joint === before)
    ? kept
    : [{ joint: before, work: 'openClose' }, ...kept];
}

/** The joints that these works open, each once. */
export const jointsOfWorks = (list: readonly JobWork[]): string[] => [...new Set(list.map((x) => x.joint))];

/** The joints that a job opens: those of what is to be done, or the first of the model while nothing was said. */
export const jointsFor = (device: Device, list: readonly JobWork[]): string[] =>
  list.length ? jointsOfWorks(list) : openable(device).slice(0, 1);

/** What leads at a joint: what renews its cover, else what takes most; the rest is done beside it. */
export function leading(list: readonly JobWork[], joint: string): { work: Work; also: Work[] } | null {
  const rank = (w: Work) => (workDefs[w].item === null ? 3 : w === 'inside' ? 2 : 1);
  const own = list
    .filter((x) => x.joint === joint)
    .map((x) => x.work)
    .sort((a, b) => rank(a) - rank(b) || works.indexOf(a) - works.indexOf(b));
  return own.length ? { work: own[0]!, also: own.slice(1) } : null;
}

/** What is wrong with the works of a job; null: they can be done. */
export function worksProblem(list: readonly JobWork[], device: Device): string | null {
  for (const [i, x] of list.entries()) {
    const bond = device.bonds.find((b) => b.id === x.joint);
    if (!bond) return `${x.work}: joint ${x.joint} is none of this model`;
    const can = worksFor(workFace(device, bond));
    if (!can.includes(x.work)) return `${x.work} is not done at ${x.joint}; it takes ${can.join(', ')}`;
    for (const o of list.slice(0, i)) {
      if (o.joint === x.joint && o.work === x.work)
        return `${x.work} stands there twice at ${x.joint}; it takes it once`;
      if (excludes(device, o, x)) return `${o.work} and ${x.work} at ${x.joint}: it takes one of them`;
    }
  }
  return null;
}

/** How a joint is closed when nobody has said otherwise. */
export const usualClosing = (bond: Bond) => jointOf(bond).closings[0];
