import { insidePolygon, signedArea } from '../../device/polygon';
import type { Pt } from '../../device/types';
import { type Face, type Arrangement } from './arrange';

/** The two corners of an edge, by its name. */
export const endsOf = (key: string): [number, number] => {
  const i = key.indexOf(',');
  return [Number(key.slice(0, i)), Number(key.slice(i + 1))];
};

/** Faces of an arrangement, walked round edge by edge, and the counts of Euler’s formula. */
export function walk(vertices: readonly Pt[], edges: Arrangement['edges']): Pick<Arrangement, 'faces' | 'counts'> {
  const around = new Map<number, number[]>();
  for (const key of edges.keys()) {
    const [u, v] = endsOf(key);
    around.set(u, [...(around.get(u) ?? []), v]);
    around.set(v, [...(around.get(v) ?? []), u]);
  }
  const angle = (u: number, v: number) =>
    Math.atan2(vertices[v]![1] - vertices[u]![1], vertices[v]![0] - vertices[u]![0]);
  for (const [u, list] of around) list.sort((p, q) => angle(u, p) - angle(u, q));

  const root = componentRoots(around.keys(), edges);
  const positive: { area: number; loop: number[] }[] = [];
  const negative: number[][] = [];
  const seen = new Set<string>();
  for (const [u, list] of around)
    for (const v of list) {
      if (seen.has(`${u}>${v}`)) continue;
      const loop: number[] = [];
      let [a, b] = [u, v];
      while (!seen.has(`${a}>${b}`)) {
        seen.add(`${a}>${b}`);
        loop.push(a);
        const turn = around.get(b)!;
        const next = turn[(turn.indexOf(a) + turn.length - 1) % turn.length]!;
        [a, b] = [b, next];
      }
      const area = signedArea(loop.map((k) => vertices[k]!));
      if (area > 1e-9) positive.push({ area, loop });
      else negative.push(loop);
    }
  const faces: Face[] = positive.map(({ area, loop }) => ({
    areaMm2: area,
    loop,
    islands: [],
    inside: justInside(loop, vertices, area),
  }));
  const own = positive.map((p) => p.area);
  for (const loop of negative) {
    // the outer side of a component is an island in the smallest face of another component around it
    let best = -1;
    faces.forEach((f, i) => {
      if (root(f.loop[0]!) === root(loop[0]!)) return;
      if (best >= 0 && own[i]! >= own[best]!) return;
      if (
        insidePolygon(
          vertices[loop[0]!]!,
          f.loop.map((k) => vertices[k]!),
        )
      )
        best = i;
    });
    if (best < 0) continue;
    faces[best]!.islands.push(loop);
    faces[best]!.areaMm2 += signedArea(loop.map((k) => vertices[k]!));
  }
  const components = new Set([...around.keys()].map(root)).size;
  return {
    faces,
    counts: { vertices: around.size, edges: edges.size, faces: positive.length + 1, components },
  };
}

/** Union-find over the vertices. */
function componentRoots(keys: Iterable<number>, edges: Arrangement['edges']): (v: number) => number {
  const parent = new Map([...keys].map((k) => [k, k]));
  const root = (v: number): number => {
    let r = v;
    while (parent.get(r) !== r) r = parent.get(r)!;
    parent.set(v, r);
    return r;
  };
  for (const key of edges.keys()) {
    const [u, v] = endsOf(key);
    parent.set(root(u), root(v));
  }
  return root;
}

/** A point a hair to the left of the longest side. */
function justInside(loop: readonly number[], vertices: readonly Pt[], area: number): Pt {
  let best: [Pt, Pt] = [vertices[loop[0]!]!, vertices[loop[1]!]!];
  let long = 0;
  loop.forEach((k, i) => {
    const a = vertices[k]!;
    const b = vertices[loop[(i + 1) % loop.length]!]!;
    const l = Math.hypot(b[0] - a[0], b[1] - a[1]);
    if (l > long) {
      long = l;
      best = [a, b];
    }
  });
  const [a, b] = best;
  const s = Math.min(1e-3, (0.01 * area) / long);
  return [(a[0] + b[0]) / 2 - (s * (b[1] - a[1])) / long, (a[1] + b[1]) / 2 + (s * (b[0] - a[0])) / long];
}
