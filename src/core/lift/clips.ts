import { bondPerimeter, coverOf } from '../device/perimeter';
import { boxOf } from '../device/shapes';
import type { Bond, Device, Pt } from '../device/types';
import { commonPractice, judgement } from '../source';
import type { CoverStrength } from './strength';
import { leverMm } from './leverage';

export const clipHeightMm = judgement(1, 'a clip lets go when the edge is this high');
export const clipStart = commonPractice(0, 'start at the charge port or the tray, run a pick round');

export interface ClipStep {
  /** number of the clip in the model, and its place */
  index: number;
  sMm: number;
  at: Pt;
  corner: boolean;
  /** how high the edge may come here: bending between this clip and the next one that holds */
  liftMm: number;
  /** cables and parts beside it */
  near: string[];
}

export interface ClipPlan {
  steps: ClipStep[];
  startsAt: 'port' | 'cableFar';
  /** the edge stays under its yield when one clip at a time lets go */
  ok: boolean;
}

/**
 * Order of the clips: from the one nearest the charge port round both ways in turn, the clips beside a cable last, so that
 * the cover hinges there. How high the edge may come at a clip follows from the plastic bending to the next clip.
 */
export function clipPlan(device: Device, bond: Bond, strength: CoverStrength): ClipPlan {
  const path = bondPerimeter(device, bond);
  const cover = coverOf(device, bond);
  const port = device.parts.find((p) => p.kind === 'port');
  const box = port ? boxOf(port.shape) : null;
  const from = box ? path.locate([(box.min[0] + box.max[0]) / 2, box.max[1] + 100]) : 0;
  const clips = bond.clipsAtMm.map((s, index) => ({ index, sMm: path.wrap(s) }));
  const away = (a: number, b: number) => {
    const d = path.wrap(a - b);
    return Math.min(d, path.lengthMm - d);
  };
  const beside = (s: number) =>
    device.cables.filter((c) => away(s, (c.at.fromMm + c.at.toMm) / 2) < c.widthMm / 2 + 12).map((c) => c.name);
  const order = [...clips].sort((a, b) => {
    const late = Number(beside(a.sMm).length > 0) - Number(beside(b.sMm).length > 0);
    return late || away(a.sMm, from) - away(b.sMm, from);
  });
  const steps = order.map((c, i): ClipStep => {
    const held = order.slice(i + 1);
    const span = held.reduce((m, h) => Math.min(m, away(h.sMm, c.sMm)), path.lengthMm / 4);
    const p = path.point(c.sMm);
    return {
      ...c,
      at: p.at,
      corner: p.corner,
      liftMm: leverMm(strength, cover.hMm, 50, span),
      near: beside(c.sMm),
    };
  });
  return { steps, startsAt: port ? 'port' : 'cableFar', ok: steps.every((s) => s.liftMm >= clipHeightMm.value) };
}
