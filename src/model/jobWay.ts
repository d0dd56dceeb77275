import { coverKindOf } from '../core/device/coverKinds';
import { faceOf } from '../core/device/perimeter';
import type { Device } from '../core/device/types';
import { stageDefs, type StageId } from './stages';
import { plainWay, stepAt, type Step } from './way';

/** What a joint's face is, as far as the order of work asks. */
const bondOf = (device: Device, bondId: string) => {
  const bond = device.bonds.find((b) => b.id === bondId);
  if (!bond) throw new RangeError(`joint: ${bondId} does not work; it takes a joint of this model`);
  return bond;
};
const seenOf = (device: Device, bondId: string) => {
  const bond = bondOf(device, bondId);
  const face = faceOf(device, bond);
  return { bondId, side: face.side, lens: coverKindOf(face).lens };
};

/**
 * The order in which joints of one device are opened: the front first, for the inside is reached from there; a cover over
 * lenses last, so that no open camera stands over a heater while a back is heated. Common practice.
 */
export function openingOrder(device: Device, bondIds: readonly string[]): string[] {
  const rank = (j: ReturnType<typeof seenOf>) => (j.lens ? 2 : j.side === 'front' ? 0 : 1);
  return bondIds
    .map((id) => seenOf(device, id))
    .sort((a, b) => rank(a) - rank(b))
    .map((j) => j.bondId);
}

/**
 * The steps of a job, made from what is opened. One joint: the plain way. Several: each is heated and lifted in the order of
 * opening; where a front and a back are opened, the inside is covered or out before the back is heated; then all are cleaned, fitted and
 * bonded, the front last, so that they cure side by side.
 * @param bondIds what is opened and closed, each once
 * @throws RangeError when none is named, one is named twice, or the model has none such
 */
export function jobWay(device: Device, bondIds: readonly string[]): Step[] {
  if (!bondIds.length) throw new RangeError('joints: none do not work; it takes at least one');
  if (new Set(bondIds).size < bondIds.length)
    throw new RangeError('joints: one of them twice does not work; it takes each once');
  const order = openingOrder(device, bondIds);
  if (order.length === 1) return plainWay(order[0]!);
  const all = (stage: StageId, joints: readonly string[] = order): Step[] =>
    stageDefs[stage].atJoint ? joints.map((id) => stepAt(stage, id)) : [stepAt(stage, order[0]!)];
  const sides = new Set(order.map((id) => seenOf(device, id)).map((j) => (j.lens ? 'lens' : j.side)));
  // the inside comes out as soon as what leads there is off, where something behind it waits for that
  const behind = order.some((id) => coverKindOf(faceOf(device, bondOf(device, id))).fromBehind);
  const leads = order.findIndex((id) => bondOf(device, id).onFace === device.insideThrough);
  const stripAfter = sides.has('front') && sides.has('back') ? 0 : behind ? Math.max(0, leads) : order.length - 1;
  // a front is closed last: what was taken out goes in again through it
  const isFront = (id: string) => seenOf(device, id).side === 'front';
  const closing = [...order.filter((id) => !isFront(id)), ...order.filter(isFront)];
  return [
    ...all('intake'),
    ...order.flatMap((id, i) => [stepAt('heat', id), stepAt('lift', id), ...(i === stripAfter ? all('strip') : [])]),
    ...(['clean', 'dryFit', 'bond', 'cure', 'check', 'handover'] as const).flatMap((stage) => all(stage, closing)),
  ];
}

/**
 * What is wrong with the steps of a job: a way that cannot be worked.
 * @param steps as they were noted, with stages of later versions left out
 * @returns null when it can be
 */
export function wayProblem(steps: readonly Step[], device: Pick<Device, 'bonds'>): string | null {
  const bonds = new Set(device.bonds.map((b) => b.id));
  const keys = new Set<string>();
  const at = (stage: StageId, joint: string | null) =>
    steps.findIndex((s) => s.stage === stage && (s.joint ?? joint) === joint);
  for (const s of steps) {
    if (keys.has(s.key)) return `step ${s.key} stands there twice; each step takes a key of its own`;
    keys.add(s.key);
    const { atJoint } = stageDefs[s.stage];
    if (atJoint && s.joint === null) return `step ${s.key} has no joint; ${s.stage} takes one`;
    if (s.joint !== null && !bonds.has(s.joint)) return `step ${s.key}: joint ${s.joint} is none of this model`;
    if (steps.some((o) => o !== s && o.stage === s.stage && o.joint === s.joint))
      return `step ${s.key}: ${s.stage} comes twice for the same joint; it takes one`;
  }
  for (const { joint } of steps) {
    if (joint === null) continue;
    for (const [first, then] of [
      ['lift', 'bond'],
      ['heat', 'lift'],
      ['bond', 'cure'],
      ['lift', 'clean'],
      ['clean', 'bond'],
      ['dryFit', 'bond'],
    ] as const) {
      const [a, b] = [at(first, joint), at(then, joint)];
      if (a >= 0 && b >= 0 && a > b) return `joint ${joint}: ${then} comes before ${first}; it takes ${first} first`;
    }
  }
  const last = steps.findIndex((s) => s.stage === 'handover');
  if (last >= 0 && steps.slice(last + 1).length) return 'steps come after hand-over; it takes hand-over last';
  return null;
}

/** Without these there is no job: it is taken in, opened, checked and given back. */
export const keptStages: readonly StageId[] = ['intake', 'lift', 'check', 'handover'];

/**
 * What is wrong with another way in place of the one that a job is on.
 * @param begun keys of steps that something was noted of
 * @returns null when it can be taken
 */
export function wayChangeProblem(
  before: readonly Step[],
  after: readonly Step[],
  begun: ReadonlySet<string>,
  device: Pick<Device, 'bonds'>,
): string | null {
  const problem = wayProblem(after, device);
  if (problem !== null) return problem;
  const keys = new Set(after.map((s) => s.key));
  for (const s of before) {
    if (keys.has(s.key)) continue;
    if (begun.has(s.key)) return `step ${s.key} was worked; it takes every step that was`;
    if (keptStages.includes(s.stage)) return `step ${s.key} is left out; ${s.stage} belongs to every job`;
  }
  return null;
}
