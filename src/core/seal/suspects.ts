import { judgement } from '../source';

/** What speaks against a stretch of the bond. */
export type SuspectKind = 'bump' | 'step' | 'seat' | 'press';

export interface SuspectSource {
  kind: SuspectKind;
  fromMm: number;
  toMm: number;
}

export interface Suspect {
  fromMm: number;
  toMm: number;
  kinds: SuspectKind[];
  /** the part of it that most of them point to */
  most: { fromMm: number; toMm: number; kinds: number };
}

export const suspectFigures = {
  pressReachMm: judgement(20, 'a press opens the bond this far to either side of the nearest place'),
};

/**
 * Joins what several measurements say about a closed ring: stretches that any of them points to, those that most of them
 * agree on first. Nothing is proven by it: it says where to look.
 * @param lengthMm length of the ring
 */
export function suspectStretches(lengthMm: number, sources: readonly SuspectSource[]): Suspect[] {
  const wrap = (s: number) => ((s % lengthMm) + lengthMm) % lengthMm;
  const real = sources
    .filter((s) => s.toMm > s.fromMm)
    .map((s) => ({ ...s, fromMm: wrap(s.fromMm), span: Math.min(lengthMm, s.toMm - s.fromMm) }));
  if (!real.length) return [];
  const marks = [...new Set(real.flatMap((s) => [s.fromMm, wrap(s.fromMm + s.span)]))].sort((a, b) => a - b);
  const cells = marks.map((fromMm, i) => {
    const toMm = i + 1 < marks.length ? marks[i + 1]! : marks[0]! + lengthMm;
    const mid = (fromMm + toMm) / 2;
    const kinds = new Set(real.filter((s) => s.span >= lengthMm || wrap(mid - s.fromMm) < s.span).map((s) => s.kind));
    return { fromMm, toMm, kinds };
  });
  // begin the walk at a gap, so that a stretch over the start of the ring stays one
  const gap = cells.findIndex((c) => !c.kinds.size);
  const walk =
    gap < 0
      ? cells
      : [
          ...cells.slice(gap + 1),
          ...cells.slice(0, gap + 1).map((c) => ({ ...c, fromMm: c.fromMm + lengthMm, toMm: c.toMm + lengthMm })),
        ];
  const out: Suspect[] = [];
  let open: Suspect | null = null;
  for (const c of walk) {
    if (!c.kinds.size) {
      open = null;
      continue;
    }
    if (!open) {
      open = { fromMm: c.fromMm, toMm: c.toMm, kinds: [], most: { fromMm: c.fromMm, toMm: c.toMm, kinds: 0 } };
      out.push(open);
    }
    open.toMm = c.toMm;
    open.kinds = [...new Set([...open.kinds, ...c.kinds])];
    if (c.kinds.size > open.most.kinds) open.most = { fromMm: c.fromMm, toMm: c.toMm, kinds: c.kinds.size };
  }
  for (const s of out)
    if (s.fromMm >= lengthMm) {
      for (const part of [s, s.most]) {
        part.fromMm -= lengthMm;
        part.toMm -= lengthMm;
      }
    }
  return out.sort((a, b) => b.most.kinds - a.most.kinds || b.toMm - b.fromMm - (a.toMm - a.fromMm));
}
