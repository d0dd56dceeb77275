import { CoreInputError, requireIn } from '../errors';

/** A length in stock: an offcut, or what is left on a roll. */
export interface StockLength {
  id: string;
  lengthMm: number;
}

export interface Cut {
  from: 'offcut' | 'roll';
  id: string;
  /** pieces by their index in the order that was asked for */
  pieces: number[];
  usedMm: number;
  leftMm: number;
}

export interface CutPlan {
  cuts: Cut[];
  /** length taken from rolls, a kerf with every piece */
  rollMm: number;
  offcutsOpened: number;
  /** least roll length, and with it the fewest offcuts: proven by complete search */
  proven: boolean;
  /** pieces that nothing in stock is long enough for, and their length with kerf */
  lacking: number[];
  shortMm: number;
}

/** More states than this are not searched: the first good way is taken, and said to be not proven. */
const stateLimit = 200_000;

/**
 * First fit decreasing; a kerf is charged with every piece, so a bin holds cap + kerf. @returns the pieces of each bin
 * @throws CoreInputError for piece
 */
export function firstFitDecreasing(items: readonly number[], cap: number, kerf = 0): number[][] {
  const bins: { room: number; items: number[] }[] = [];
  for (const x of [...items].sort((a, b) => b - a)) {
    if (x > cap + 1e-9) throw new CoreInputError('piece', x, `up to ${cap} mm, the length it is cut from`);
    const bin = bins.find((b) => b.room >= x + kerf - 1e-9);
    if (bin) {
      bin.room -= x + kerf;
      bin.items.push(x);
    } else bins.push({ room: cap - x, items: [x] });
  }
  return bins.map((b) => b.items);
}

/** No packing needs fewer bins than this: the whole length over the length of one. */
export const materialBound = (items: readonly number[], cap: number, kerf = 0): number =>
  Math.ceil(items.reduce((s, x) => s + x + kerf, 0) / (cap + kerf) - 1e-9);

/**
 * Fewest equal lengths that all pieces are cut from: branch and bound under the material bound (textbook method).
 * @param most nodes that are searched; beyond them the best found is returned with `proven: false`
 */
export function exactBins(
  items: readonly number[],
  cap: number,
  kerf = 0,
  most = 200_000,
): { bins: number[][]; proven: boolean } {
  const full = cap + kerf;
  const list = items.map((x) => x + kerf).sort((a, b) => b - a);
  let best = firstFitDecreasing(items, cap, kerf);
  const bound = materialBound(items, cap, kerf);
  const rest = list.map((_, i) => list.slice(i).reduce((s, x) => s + x, 0));
  const bins: number[][] = [];
  const fill: number[] = [];
  let nodes = 0;
  const search = (i: number): void => {
    if (best.length === bound || nodes > most) return;
    nodes++;
    if (i === list.length) {
      if (bins.length < best.length) best = bins.map((b) => b.map((x) => x - kerf));
      return;
    }
    const free = fill.reduce((s, f) => s + full - f, 0);
    if (bins.length + Math.max(0, Math.ceil((rest[i]! - free) / full - 1e-9)) >= best.length) return;
    const seen = new Set<string>();
    for (let b = 0; b < bins.length; b++) {
      const key = fill[b]!.toFixed(6);
      if (fill[b]! + list[i]! > full + 1e-9 || seen.has(key)) continue;
      seen.add(key);
      fill[b]! += list[i]!;
      bins[b]!.push(list[i]!);
      search(i + 1);
      bins[b]!.pop();
      fill[b]! -= list[i]!;
    }
    if (bins.length + 1 >= best.length) return;
    bins.push([list[i]!]);
    fill.push(list[i]!);
    search(i + 1);
    bins.pop();
    fill.pop();
  };
  search(0);
  return { bins: best, proven: best.length === bound || nodes <= most };
}

interface Placed {
  /** pieces by stock length */
  by: number[][];
  rest: number[];
  proven: boolean;
}

/**
 * As much length as possible from given lengths, and of the ways that do it the one that opens the fewest. Equal pieces are
 * one kind, so that the search runs over counts: exact dynamic programme over (lengths × counts that are placed).
 */
function placeMost(pieces: readonly number[], stock: readonly StockLength[], kerf: number): Placed {
  const kinds = new Map<string, number[]>();
  pieces.forEach((x, i) => {
    const key = x.toFixed(4);
    kinds.set(key, [...(kinds.get(key) ?? []), i]);
  });
  const all = [...kinds.values()].sort((a, b) => pieces[b[0]!]! - pieces[a[0]!]!);
  const size = all.map((k) => pieces[k[0]!]! + kerf);
  const count = all.map((k) => k.length);
  const base = count.map((_, i) => count.slice(0, i).reduce((m, c) => m * (c + 1), 1));
  interface Node {
    opened: number;
    from: number;
    take: number[];
  }
  const least = Math.min(...size) - kerf;
  const useful = stock.map((s, j) => ({ j, room: s.lengthMm + kerf })).filter((s) => s.room >= least + kerf - 1e-9);
  // longest first: big pieces have fewest places
  useful.sort((a, b) => b.room - a.room);
  let states = new Map<number, Node | null>([[0, null]]);
  const layers: Map<number, Node | null>[] = [states];
  let work = 0;
  const taken = (state: number, k: number) => Math.floor(state / base[k]!) % (count[k]! + 1);
  for (const { room } of useful) {
    const next = new Map<number, Node | null>();
    const put = (state: number, node: Node) => {
      const old = next.get(state);
      if (old === undefined || (old !== null && node.opened < old.opened)) next.set(state, node);
    };
    for (const [state, node] of states) {
      const opened = node?.opened ?? 0;
      put(state, { opened, from: state, take: [] });
      const take = new Array<number>(all.length).fill(0);
      const walk = (k: number, left: number, to: number) => {
        if (++work > stateLimit) return;
        if (k === all.length) {
          if (to !== state) put(to, { opened: opened + 1, from: state, take: [...take] });
          return;
        }
        const most = Math.min(count[k]! - taken(state, k), Math.floor((left + 1e-9) / size[k]!));
        for (let n = most; n >= 0; n--) {
          take[k] = n;
          walk(k + 1, left - n * size[k]!, to + n * base[k]!);
        }
        take[k] = 0;
      };
      walk(0, room, state);
    }
    if (work > stateLimit) return { ...placeGreedy(pieces, stock, kerf), proven: false };
    states = next;
    layers.push(states);
  }
  const placedMm = (state: number) => size.reduce((m, s, k) => m + s * taken(state, k), 0);
  let best = 0;
  for (const [state, node] of states) {
    const a = placedMm(state) - placedMm(best);
    const opened = (n: Node | null | undefined) => n?.opened ?? 0;
    if (a > 1e-9 || (Math.abs(a) <= 1e-9 && opened(node) < opened(states.get(best)))) best = state;
  }
  const by = stock.map((): number[] => []);
  const pool = all.map((k) => [...k]);
  for (let layer = layers.length - 1, state = best; layer > 0; layer--) {
    const node = layers[layer]!.get(state)!;
    node.take.forEach((n, k) => by[useful[layer - 1]!.j]!.push(...pool[k]!.splice(0, n)));
    state = node.from;
  }
  return { by, rest: pool.flat().sort((a, b) => a - b), proven: true };
}

/** Longest piece first, into the tightest length that takes it. */
function placeGreedy(pieces: readonly number[], stock: readonly StockLength[], kerf: number): Omit<Placed, 'proven'> {
  const room = stock.map((s) => s.lengthMm + kerf);
  const by = stock.map((): number[] => []);
  const rest: number[] = [];
  const order = pieces.map((_, i) => i).sort((a, b) => pieces[b]! - pieces[a]!);
  for (const i of order) {
    const need = pieces[i]! + kerf;
    let at = -1;
    room.forEach((r, j) => {
      if (r >= need - 1e-9 && (at < 0 || r < room[at]!)) at = j;
    });
    if (at < 0) rest.push(i);
    else {
      room[at]! -= need;
      by[at]!.push(i);
    }
  }
  return { by, rest: rest.sort((a, b) => a - b) };
}

/**
 * What is cut from what: offcuts first (least length from the rolls, then fewest offcuts), the rest from the shortest roll
 * that holds all of it, or from the fewest rolls when none does. A kerf is lost with every piece; the last piece of an
 * offcut needs none.
 * @throws CoreInputError naming a piece or a length in stock that is not a positive number
 */
export function planCuts(
  pieces: readonly number[],
  offcuts: readonly StockLength[],
  rolls: readonly StockLength[],
  kerfMm: number,
): CutPlan {
  pieces.forEach((x, i) => requireIn(`piece ${i + 1}`, x, 0.1, 5000, 'mm'));
  [...offcuts, ...rolls].forEach((s) => requireIn(`length of ${s.id}`, s.lengthMm, 0, 1e6, 'mm'));
  requireIn('kerf', kerfMm, 0, 10, 'mm');
  const first = placeMost(pieces, offcuts, kerfMm);
  const needMm = first.rest.reduce((m, i) => m + pieces[i]! + kerfMm, 0);
  const cuts: Cut[] = [];
  const put = (from: Cut['from'], s: StockLength, own: number[]) => {
    if (!own.length) return;
    const usedMm = Math.min(
      s.lengthMm,
      own.reduce((m, i) => m + pieces[i]! + kerfMm, 0),
    );
    cuts.push({ from, id: s.id, pieces: own.sort((a, b) => a - b), usedMm, leftMm: s.lengthMm - usedMm });
  };
  first.by.forEach((own, j) => put('offcut', offcuts[j]!, own));
  let proven = first.proven;
  let lacking: number[] = [];
  if (first.rest.length) {
    const one = rolls.filter((r) => r.lengthMm >= needMm - kerfMm - 1e-9).sort((a, b) => a.lengthMm - b.lengthMm)[0];
    if (one) put('roll', one, first.rest);
    else {
      const sizes = first.rest.map((i) => pieces[i]!);
      const more = placeMost(sizes, rolls, kerfMm);
      proven &&= more.proven;
      more.by.forEach((own, j) =>
        put(
          'roll',
          rolls[j]!,
          own.map((k) => first.rest[k]!),
        ),
      );
      lacking = more.rest.map((k) => first.rest[k]!);
    }
  }
  return {
    cuts,
    rollMm: cuts.filter((c) => c.from === 'roll').reduce((m, c) => m + c.usedMm, 0),
    offcutsOpened: cuts.filter((c) => c.from === 'offcut').length,
    proven,
    lacking,
    shortMm: lacking.reduce((m, i) => m + pieces[i]! + kerfMm, 0),
  };
}
