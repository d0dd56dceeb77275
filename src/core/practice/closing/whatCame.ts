import { flashOf } from '../../bond/bead';
import { clipCheck } from '../../bond/clampPlan';
import { crumbState } from '../../clean/crumb';
import type { ClosingBench } from './bench';
import { closingFigures, type ClosingState } from './case';

/** What a customer comes back with, and where; lengths mm, pressures kPa. */
export type Fault =
  | { what: 'residue' | 'film'; fromMm: number; toMm: number; lengthMm: number }
  | { what: 'crumb'; sMm: number; heightMm: number; stressMPa: number; lastingMPa: number }
  | { what: 'haze'; sMm: number }
  | { what: 'wet'; sMm: number }
  | { what: 'thin'; fromMm: number; toMm: number; lengthMm: number; bondMm: number; plannedMm: number }
  | { what: 'opening'; sMm: number; bondMm: number; clearMm: number }
  | { what: 'skin'; sMm: number; openS: number; skinS: number }
  | { what: 'early'; sMm: number; openS: number; waitS: number }
  | { what: 'notHeld' }
  | { what: 'clips'; against: 'force' | 'uneven' | 'peak' | 'display'; value: number; limit: number }
  | { what: 'slipped'; afterS: number }
  | { what: 'soft'; afterS: number };

/** Width of a closed bead in each cell, mm: its section over the gap that is truly there, less what has flashed off. */
export function bondWidths(b: ClosingBench, s: Pick<ClosingState, 'laidMm2'>): number[] {
  const kept = 1 - flashOf(b.about.bead.liquid);
  return s.laidMm2.map((mm2, i) => (mm2 * kept) / b.truth.gapMm[i]!);
}

/** Stretches of cells that are bad, at least as long as counts; over the beginning of the path too. */
function stretches(
  b: ClosingBench,
  bad: (cell: number) => boolean,
): { fromMm: number; toMm: number; lengthMm: number }[] {
  const { n, cellMm } = b;
  const is = Array.from({ length: n }, (_, i) => bad(i));
  const all = is.every(Boolean);
  const start = all ? 0 : is.findIndex((v, i) => v && !is[(i + n - 1) % n]);
  if (start < 0) return [];
  const out: { fromMm: number; toMm: number; lengthMm: number }[] = [];
  for (let i = 0; i < n;) {
    if (!is[(start + i) % n]) {
      i++;
      continue;
    }
    let k = 0;
    while (i + k < n && is[(start + i + k) % n]) k++;
    const fromMm = (start + i) * cellMm;
    if (k * cellMm >= closingFigures.leastMm.value)
      out.push({ fromMm, toMm: fromMm + k * cellMm, lengthMm: k * cellMm });
    i += k;
  }
  return out;
}

/**
 * What becomes of a joint that was closed: what was left under it, what lies in it, how it was pressed and let go; in the
 * order of the work. An open joint has no faults yet.
 */
export function whatCame(b: ClosingBench, s: ClosingState): Fault[] {
  if (s.closedAtS === null) return [];
  return [...leftUnder(b, s), ...(b.about.by === 'bead' ? inTheBead(b, s, s.closedAtS) : []), ...afterwards(b, s)];
}

function leftUnder(b: ClosingBench, s: ClosingState): Fault[] {
  const f = closingFigures;
  const { by, crumb, path } = b.about;
  const out: Fault[] = [];
  for (const r of stretches(b, (i) => s.glue[i]! > f.visible.value)) out.push({ what: 'residue', ...r });
  // tape wants the bare frame, a bead sticks to a film (as `cleanLacks`)
  if (by === 'tape')
    for (const r of stretches(b, (i) => s.glue[i]! <= f.visible.value && s.film[i]! > f.filmMost.value))
      out.push({ what: 'film', ...r });
  b.truth.crumbs.forEach((c, i) => {
    if (s.gone[i]) return;
    const state = crumbState({ ...crumb, gapMm: b.truth.gapMm[b.cellAt(c.sMm)]! }, c.mm);
    if (state.cracks)
      out.push({
        ...{ what: 'crumb', sMm: path.wrap(c.sMm), heightMm: c.mm },
        ...{ stressMPa: state.stressMPa, lastingMPa: state.lastingMPa },
      });
  });
  if (s.hazeAtMm !== null) out.push({ what: 'haze', sMm: s.hazeAtMm });
  const shut = { ...s, tS: s.closedAtS! };
  const wet = s.wetAtS.findIndex((_, i) => b.isWet(shut, i));
  if (wet >= 0) out.push({ what: 'wet', sMm: (wet + 0.5) * b.cellMm });
  return out;
}

function inTheBead(b: ClosingBench, s: ClosingState, closedAtS: number): Fault[] {
  const { bead, openMm } = b.about;
  const widths = bondWidths(b, s);
  const out: Fault[] = [];
  for (const r of stretches(b, (i) => widths[i]! < closingFigures.thinShare.value * bead.bondMm)) {
    const [from, n] = [Math.round(r.fromMm / b.cellMm), Math.round(r.lengthMm / b.cellMm)];
    const least = Math.min(...Array.from({ length: n }, (_, k) => widths[(from + k) % b.n]!));
    out.push({ what: 'thin', ...r, bondMm: least, plannedMm: bead.bondMm });
  }
  const into = widths.reduce((w, v, i) => (v / 2 - openMm[i]! > (w < 0 ? 0 : widths[w]! / 2 - openMm[w]!) ? i : w), -1);
  if (into >= 0)
    out.push({
      ...{ what: 'opening', sMm: (into + 0.5) * b.cellMm },
      ...{ bondMm: widths[into]!, clearMm: openMm[into]! },
    });
  const ages = s.laidAtS.flatMap((at, i) =>
    at === null ? [] : [{ sMm: (i + 0.5) * b.cellMm, openS: closedAtS - at }],
  );
  const oldest = ages.reduce((m, x) => (x.openS > m.openS ? x : m), { sMm: 0, openS: 0 });
  const youngest = ages.reduce((m, x) => (x.openS < m.openS ? x : m), { sMm: 0, openS: Infinity });
  const { waitS, skinS } = bead.open;
  if (oldest.openS > skinS) out.push({ what: 'skin', ...oldest, skinS });
  if (youngest.openS < waitS) out.push({ what: 'early', ...youngest, waitS });
  return out;
}

function afterwards(b: ClosingBench, s: ClosingState): Fault[] {
  const out: Fault[] = [];
  if (s.handedAtS === null && s.clamp === null) return out;
  if (s.clamp === null) out.push({ what: 'notHeld' });
  else {
    const { against, figures } = clipCheck(b.about.hold, s.clamp.forceN, Math.max(1, s.clamp.count));
    // a board or a bag presses evenly, and nowhere harder than all over
    const first = against.find((a) => !s.clamp!.even || a === 'force' || a === 'display');
    // by hand: nobody knows how hard
    if (first && s.clamp.count > 0) out.push({ what: 'clips', against: first, ...figures[first] });
  }
  const since = (t: number) => t - (s.clamp?.atS ?? s.closedAtS!);
  if (s.slippedAtS !== null) out.push({ what: 'slipped', afterS: since(s.slippedAtS) });
  else if (s.handedAtS !== null && !b.holds(s, 'handOver', s.handedAtS))
    out.push({ what: 'soft', afterS: since(s.handedAtS) });
  return out;
}
