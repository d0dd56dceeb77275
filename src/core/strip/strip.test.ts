import fc from 'fast-check';

import { shippedDevices } from '../../model/shippedDevices';
import { stripGraph, strippable, zoneId } from './graph';
import { plugNeighbours } from './neighbours';
import { exactUpTo, orderValid, refitOrder, removalOrder, type StripNode } from './removal';
import { boss, checkScrews, sortHeap, underHole, type ScrewOut } from './screws';
import { assignTray, cellName, matSvg, trayGroups, traySize } from './tray';
import { transferList } from './transfer';

const device = (id: string) => shippedDevices.find((d) => d.id === id)!;
const plain = (id: string, needs: string[][] = [[]], cost = 1, more: Partial<StripNode> = {}): StripNode => ({
  id,
  needs,
  cost,
  ...more,
});

/** Every set that can come off at all and holds the targets, by exhaustive search: nothing of the code under test. */
function cheapestByForce(nodes: readonly StripNode[], targets: readonly string[]): number {
  const battery = nodes.find((n) => n.battery)?.id;
  let best = Infinity;
  for (let k = 0; k < 1 << nodes.length; k++) {
    const set = nodes.filter((_, i) => (k >> i) & 1);
    if (!targets.every((t) => set.some((n) => n.id === t))) continue;
    const cost = set.reduce((m, n) => m + n.cost, 0);
    if (cost >= best) continue;
    const out = new Set<string>();
    for (let moved = true; moved;) {
      moved = false;
      for (const n of set) {
        if (out.has(n.id)) continue;
        const free = n.needs.some((s) => s.every((q) => out.has(q)));
        const live = n.electrical && battery && n.id !== battery && !out.has(battery);
        if (free && !live) {
          out.add(n.id);
          moved = true;
        }
      }
    }
    if (out.size === set.length) best = cost;
  }
  return best;
}

/** Number of orders that a set of "after" rules allows. */
function countOrders(nodes: readonly StripNode[]): number {
  const walk = (left: string[], done: string[]): number =>
    left.length === 0
      ? 1
      : left
          .filter((id) => orderValid(nodes, [...done, id]))
          .reduce(
            (m, id) =>
              m +
              walk(
                left.filter((x) => x !== id),
                [...done, id],
              ),
            0,
          );
  return walk(
    nodes.map((n) => n.id),
    [],
  );
}

describe('linear extensions (known counts): the rules allow just the orders that they should', () => {
  const gridOf = (rows: number, cols: number) =>
    Array.from({ length: rows * cols }, (_, i) => {
      const [r, c] = [Math.floor(i / cols), i % cols];
      return plain(`${r}${c}`, [[...(r ? [`${r - 1}${c}`] : []), ...(c ? [`${r}${c - 1}`] : [])]]);
    });
  it('2 × 3 grid: 5, 2 × 4 grid: 14 (Catalan numbers)', () => {
    expect(countOrders(gridOf(2, 3))).toBe(5);
    expect(countOrders(gridOf(2, 4))).toBe(14);
  });
  it('zigzag of four: 5 (Euler number)', () => {
    expect(countOrders([plain('a'), plain('b', [['a', 'c']]), plain('c'), plain('d', [['c']])])).toBe(5);
  });
});

describe('order of removal', () => {
  const graph = fc
    .record({
      n: fc.integer({ min: 2, max: 8 }),
      battery: fc.boolean(),
      seeds: fc.array(fc.integer({ min: 0, max: 1 << 20 }), { minLength: 40, maxLength: 40 }),
    })
    .map(({ n, battery, seeds }) => {
      let k = 0;
      const rnd = (m: number) => seeds[k++ % seeds.length]! % m;
      return Array.from({ length: n }, (_, i): StripNode => {
        // needs may point forward as well: some of these cannot be reached at all
        const sets = Array.from({ length: 1 + rnd(3) }, () =>
          [...new Set(Array.from({ length: rnd(3) }, () => `n${rnd(n)}`))].filter((x) => x !== `n${i}`),
        );
        return plain(`n${i}`, sets, 1 + rnd(5), {
          electrical: rnd(2) === 0,
          ...(battery && i === 0 ? { battery: true } : {}),
        });
      });
    });

  it('equals exhaustive search on 150 random AND/OR graphs, and its order holds both ways (property)', () => {
    fc.assert(
      fc.property(graph, fc.integer({ min: 0, max: 7 }), (nodes, t) => {
        const target = [`n${t % nodes.length}`];
        const best = cheapestByForce(nodes, target);
        const r = removalOrder(nodes, target);
        if (r === null) return best === Infinity;
        const cost = r.order.reduce((m, id) => m + nodes.find((x) => x.id === id)!.cost, 0);
        const back = refitOrder(nodes, r.order);
        return (
          Math.abs(r.cost - best) < 1e-9 &&
          Math.abs(cost - best) < 1e-9 &&
          r.exact &&
          orderValid(nodes, r.order) &&
          orderValid(nodes, [...back].reverse())
        );
      }),
      { numRuns: 150 },
    );
  });

  it('shared work decides: the dearer alternative that two targets share is the cheaper one', () => {
    const nodes = [
      plain('a', [[]], 3),
      plain('b', [[]], 2),
      plain('c', [[]], 2),
      plain('x', [['a'], ['b']], 1),
      plain('y', [['a'], ['c']], 1),
    ];
    expect(removalOrder(nodes, ['x'])!.order).toEqual(['b', 'x']);
    expect(removalOrder(nodes, ['x', 'y'])!).toMatchObject({ cost: 5, order: ['a', 'x', 'y'] });
  });

  it('many open questions at once: the search over subsets equals exhaustive search too', () => {
    // sixteen things of which any of many pairs will do: more than are tried one set after the other
    const free = Array.from({ length: 14 }, (_, i) => plain(`f${String(i).padStart(2, '0')}`, [[]], 1 + ((i * 7) % 5)));
    const pairs = free.slice(0, 13).map((f, i) => [f.id, free[i + 1]!.id]);
    const nodes = [...free, plain('x', pairs, 1), plain('y', [...pairs].reverse().slice(0, 6), 1)];
    const r = removalOrder(nodes, ['x', 'y'])!;
    expect(r.exact).toBe(true);
    expect(r.cost).toBe(cheapestByForce(nodes, ['x', 'y']));
    expect(orderValid(nodes, r.order)).toBe(true);
  });

  it('a circle cannot be reached, an unknown need is refused by name', () => {
    expect(removalOrder([plain('a', [['b']]), plain('b', [['a']])], ['a'])).toBeNull();
    expect(() => removalOrder([plain('a', [['z']])], ['a'])).toThrow('a: needs: z does not work');
  });

  it('too many alternatives for an exact search: a valid order, a bound under it, and said', () => {
    const nodes = Array.from({ length: 30 }, (_, i) =>
      plain(
        `p${String(i).padStart(2, '0')}`,
        i < 2 ? [[]] : [[`p${String(i - 1).padStart(2, '0')}`], [`p${String(i - 2).padStart(2, '0')}`]],
      ),
    );
    const r = removalOrder(nodes, ['p29'])!;
    expect(nodes.length).toBeGreaterThan(exactUpTo);
    expect(r.exact).toBe(false);
    expect(orderValid(nodes, r.order)).toBe(true);
    expect(r.bound).toBeLessThanOrEqual(r.cost);
  });
});

describe('the graph of a device', () => {
  it.each(shippedDevices.map((d) => d.id))(
    '%s: everything can come out, battery plug before whatever carries current',
    (id) => {
      const d = device(id);
      const items = stripGraph(d);
      const r = removalOrder(
        items,
        d.parts.filter(strippable).map((p) => p.id),
      );
      expect(r).not.toBeNull();
      expect(r!.exact).toBe(true);
      expect(orderValid(items, r!.order)).toBe(true);
      const plug = d.connectors.find((c) => c.battery);
      if (!plug) return;
      const at = r!.order.indexOf(plug.id);
      const live = r!.order.filter((x) => items.find((i) => i.id === x)!.electrical && x !== plug.id);
      expect(live.every((x) => r!.order.indexOf(x) > at)).toBe(true);
      const back = refitOrder(items, r!.order);
      // on the way back nothing that carries current goes in after the battery's plug
      expect(live.every((x) => back.indexOf(x) < back.indexOf(plug.id))).toBe(true);
    },
  );

  it('what the bench finds out is added and taken away again', () => {
    const d = device('plastic60');
    const on = stripGraph(d, [{ id: 'camera', by: 'battery', on: true }]);
    expect(on.find((i) => i.id === 'camera')!.needs[0]).toContain('battery');
    const off = stripGraph(d, [
      { id: 'camera', by: 'battery', on: true },
      { id: 'camera', by: 'battery', on: false },
    ]);
    expect(off.find((i) => i.id === 'camera')!.needs[0]).not.toContain('battery');
    expect(stripGraph(d, [{ id: 'camera', by: 'nothing', on: true }])).toEqual(stripGraph(d));
  });

  it('a plug is lifted from the side where nothing lies', () => {
    const d = device('plastic60');
    const n = plugNeighbours(
      d,
      d.connectors.find((c) => c.id === 'cameraPlug')!,
    );
    expect(n.names).toEqual([]);
    const crowded = {
      ...d,
      connectors: [...d.connectors, { ...d.connectors[1]!, id: 'x', name: 'x plug', at: [45, 14] as const }],
    };
    expect(plugNeighbours(crowded, crowded.connectors[1]!)).toEqual({ names: ['x plug'], from: 'left' });
  });
});

describe('screws', () => {
  const d = device('plastic60');
  const record = (over: Record<string, Partial<ScrewOut>> = {}): ScrewOut[] =>
    d.screws.map((s, i) => ({
      seq: i + 1,
      hole: s.id,
      zone: s.zone,
      head: s.head,
      diaMm: s.diaMm,
      lengthMm: s.lengthMm,
      cell: null,
      missing: false,
      ...over[s.id],
    }));

  it('worked example: 1.6 and 3.0 mm exchanged; boss 0.5/1.8 is pierced by 0.7, boss 1.1 holds 0.5 of 0.7: weak', () => {
    const hole = (id: string, stackMm: number, bossDepthMm: number, lengthMm: number) => ({
      ...d.screws[0]!,
      id,
      stackMm,
      bossDepthMm,
      lengthMm,
      minEngageMm: 0.7,
    });
    const holes = [hole('K2', 0.5, 1.8, 1.6), hole('K5', 1.1, 2.6, 3)];
    const out = holes.map((h, i): ScrewOut => ({
      seq: i,
      hole: h.id,
      zone: 'K',
      head: 'cross',
      diaMm: 1.2,
      lengthMm: h.lengthMm,
      cell: null,
      missing: false,
    }));
    const back = [
      { hole: 'K2', head: 'cross' as const, diaMm: 1.2, lengthMm: 3 },
      { hole: 'K5', head: 'cross' as const, diaMm: 1.2, lengthMm: 1.6 },
    ];
    const { findings } = checkScrews(out, back, holes);
    expect(findings).toEqual([
      { type: 'swapped', hole: 'K2', with: 'K5' },
      { type: 'pierce', hole: 'K2', overMm: expect.closeTo(0.7, 9) },
      { type: 'weak', hole: 'K5', engageMm: expect.closeTo(0.5, 9) },
    ]);
    expect(boss(holes[0]!, 3)).toEqual({ engageMm: 2.5, roomMm: expect.closeTo(-0.7, 9) });
  });

  it('a record of removal replayed backwards with no change raises no finding (property, any order, any missing ones)', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...shippedDevices.map((x) => x.id)),
        fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 40, maxLength: 40 }),
        fc.array(fc.boolean(), { minLength: 40, maxLength: 40 }),
        (id, keys, gone) => {
          const dev = device(id);
          const out = dev.screws
            .map((s, i) => ({ s, k: keys[i % 40]!, missing: gone[i % 40]! }))
            .sort((a, b) => a.k - b.k)
            .map(({ s, missing }, i): ScrewOut => ({
              seq: i,
              hole: s.id,
              zone: s.zone,
              head: s.head,
              diaMm: s.diaMm,
              lengthMm: s.lengthMm,
              cell: `A${s.zone}`,
              missing,
            }));
          const first = checkScrews(out, [], dev.screws);
          const back = first.refitOrder.map((h) => out.find((o) => o.hole === h)!);
          const { findings, zones } = checkScrews(out, back, dev.screws);
          return (
            findings.every((f) => f.type === 'missingAtIntake' || f.type === 'mixedCell') &&
            [...zones.values()].every((z) => z.expected === z.refit)
          );
        },
      ),
    );
  });

  it('missing, extra, added, twice, wrong, mixed cells: each is named once', () => {
    const out = record({
      cover1: { missing: true },
      board1: { cell: 'A1' },
      board2: { cell: 'A1', lengthMm: 3 },
    }).slice(0, 14);
    const back = out
      .filter((o) => o.hole !== 'cover2')
      .map((o) => ({ hole: o.hole, head: o.head, diaMm: o.diaMm, lengthMm: o.hole === 'cover3' ? 2.9 : o.lengthMm }));
    const types = checkScrews(
      out,
      [...back, back[4]!, { hole: 'foot1', head: 'cross', diaMm: 1.4, lengthMm: 4 }],
      d.screws,
    ).findings.map((f) => `${f.type}${'hole' in f ? ` ${f.hole}` : ''}`);
    expect(types).toEqual(
      expect.arrayContaining(['missing cover2', 'added cover1', 'extra foot1', 'wrongSpec cover3', 'mixedCell']),
    );
    expect(types.filter((t) => t.startsWith('duplicate'))).toHaveLength(1);
  });

  it('a heap: every kind once, with its count; near lengths are marked', () => {
    const kinds = sortHeap(record({ foot1: { lengthMm: 3.8 } }));
    expect(kinds.reduce((m, k) => m + k.holes.length, 0)).toBe(34);
    const odd = kinds.find((k) => k.lengthMm === 3.8)!;
    expect(odd.holes).toEqual(['foot1']);
    expect(odd.alike).toEqual(expect.arrayContaining([4, 3.5]));
    expect(kinds.find((k) => k.head === 'fiveLobe')!.alike).toEqual([]);
  });
});

describe('tray', () => {
  const d = device('plastic60');
  it('the assignment has the least total distance: against all of them (brute force)', () => {
    const groups = trayGroups(d).slice(0, 5);
    const size = { rows: 2, cols: 3 };
    const t = assignTray(d, groups, size);
    const centre = (i: number) => [((i % 3) + 0.5) * (73 / 3), (Math.floor(i / 3) + 0.5) * (155 / 2)] as const;
    let best = Infinity;
    const walk = (k: number, used: Set<number>, sum: number) => {
      if (sum >= best) return;
      if (k === groups.length) return void (best = sum);
      for (let i = 0; i < 6; i++)
        if (!used.has(i)) {
          const c = centre(i);
          walk(k + 1, new Set([...used, i]), sum + Math.hypot(groups[k]!.at[0] - c[0], groups[k]!.at[1] - c[1]));
        }
    };
    walk(0, new Set(), 0);
    expect(t.totalMm).toBeCloseTo(best, 6);
    expect(new Set(t.cells.values()).size).toBe(groups.length);
    expect(() => assignTray(d, groups, { rows: 1, cols: 2 })).toThrow('tray cells');
  });

  it('one kind of one zone in a cell; names run like a sheet', () => {
    const groups = trayGroups(d);
    expect(groups.reduce((m, g) => m + g.holes.length, 0)).toBe(34);
    expect([0, 2, 3, 5].map((i) => cellName(i, 3))).toEqual(['A1', 'A3', 'B1', 'B3']);
    expect(traySize(20).rows * traySize(20).cols).toBeGreaterThanOrEqual(22);
  });

  it('the mat is 1:1 with a bar of 50 mm, screws are drawn at their length, names cannot break out', () => {
    const groups = trayGroups(d);
    const svg = matSvg(d, groups, assignTray(d, groups), '<script>&');
    const root = /<svg[^>]*width="(\d+)mm" height="(\d+)mm" viewBox="0 0 (\d+) (\d+)"/.exec(svg)!;
    expect(root[1]).toBe(root[3]);
    expect(root[2]).toBe(root[4]);
    expect(svg).toContain('width="50" height="2"');
    for (const g of groups) expect(svg).toContain(`width="${g.spec.lengthMm}" height="${g.spec.diaMm}"`);
    expect(svg).not.toContain('<script>');
  });
});

it('everything that a cell of the mat says stands inside that cell, line under line', () => {
  const d = device('plastic60');
  const groups = trayGroups(d);
  const tray = assignTray(d, groups);
  const svg = matSvg(d, groups, tray, 'J-0135');
  const numbers = (text: string, ...names: string[]) =>
    names.map((n) => Number(new RegExp(`\\b${n}="([-\\d.]+)"`).exec(text)![1]));
  const width = Number(/viewBox="0 0 ([\d.]+)/.exec(svg)![1]);
  const across = width / tray.cols;
  const cellOf = (x: number, y: number) => `${Math.floor(x / across)},${Math.floor(y / 38)}`;
  // frames of the cells: each in a place of its own, half a millimetre inside it
  const frames = [...svg.matchAll(/<rect [^>]*stroke="black"[^>]*>/g)].map(([t]) =>
    numbers(t, 'x', 'y', 'width', 'height'),
  );
  expect(frames).toHaveLength(tray.rows * tray.cols);
  expect(new Set(frames.map(([x, y]) => cellOf(x!, y!))).size).toBe(frames.length);
  for (const [x, y, w, h] of frames) expect(cellOf(x! + w!, y! + h!)).toBe(cellOf(x!, y!));
  // each group's four lines and its drawn screw, from the top of its own cell down
  for (const g of groups) {
    const name = tray.cells.get(g.id)!;
    const at = svg.indexOf(`>${name}</text>`);
    const begins = svg.lastIndexOf('<rect', at);
    const ys = [...svg.slice(svg.lastIndexOf('<text', at), svg.indexOf('</text>', at)).matchAll(/ y="([\d.]+)"/g)].map(
      (m) => Number(m[1]),
    );
    const [x0, y0] = numbers(svg.slice(begins, at), 'x', 'y');
    expect(cellOf(x0!, y0!)).toBe(cellOf(x0!, ys[0]!));
    const own = [...svg.matchAll(/<(?:text|rect) x="([\d.]+)" y="([\d.]+)"/g)]
      .map((m) => [Number(m[1]), Number(m[2])] as const)
      .filter(([x, y]) => cellOf(x, y) === cellOf(x0!, y0!));
    const down = own.map(([, y]) => y - Math.floor(y / 38) * 38).sort((a, b) => a - b);
    // frame, name, zone, count, size, screw: none over another
    expect(down.length).toBeGreaterThanOrEqual(6);
    for (let i = 1; i < 6; i++) expect(down[i]! - down[i - 1]!).toBeGreaterThan(2.9);
    expect(Math.max(...down)).toBeLessThan(37);
  }
});

describe('what moves over', () => {
  const d = device('plastic60');
  it('nine to move, single-use ones new, films off; less what the new shell has', () => {
    const order = removalOrder(
      stripGraph(d),
      d.parts.filter(strippable).map((p) => p.id),
    )!.order;
    const list = transferList(d, {}, order);
    const ways = (w: string) => list.filter((t) => t.way === w).map((t) => t.id);
    expect(ways('move')).toHaveLength(9);
    expect(ways('renew').sort()).toEqual(['boardTape', 'earMesh', 'paste', 'portGasket']);
    expect(ways('peel')).toEqual(['newFilm']);
    expect(transferList(d, { earMesh: 1, board: 1 }, order).map((t) => t.id)).not.toContain('earMesh');
    // parts come in the order in which they came out
    const parts = list.filter((t) => t.kind === 'part').map((t) => t.id);
    expect(parts).toEqual(order.filter((id) => parts.includes(id)));
  });
  it('zones of screws are steps of their own', () => {
    expect(zoneId('cover')).toBe('screws:cover');
    expect(d.screws).toHaveLength(34);
  });
});

it('a screw that is too long runs into the part under its hole: not into what it holds, not into the rim, the nearest first', () => {
  const at = [10, 10] as const;
  const disc = (id: string, kind: string, fromDepthMm: number, x = 10) => ({
    ...{ id, kind, name: `the ${id}`, fromDepthMm, toDepthMm: fromDepthMm + 1 },
    shape: { kind: 'disc' as const, c: [x, 10] as const, rMm: 3 },
  });
  const hole = { id: 'S1', at, holds: 'bracket' } as unknown as Parameters<typeof underHole>[1];
  const under = (...parts: ReturnType<typeof disc>[]) =>
    underHole({ parts } as unknown as Parameters<typeof underHole>[0], hole);
  expect(under(disc('battery', 'battery', 2))).toBe('the battery');
  expect(under(disc('battery', 'battery', 2), disc('display', 'display', 5), disc('board', 'board', 3))).toBe(
    'the display',
  );
  expect(under(disc('battery', 'battery', 2, 20))).toBeNull();
  expect(under(disc('bracket', 'bracket', 6))).toBeNull();
  for (const kind of ['rim', 'midPlate', 'hinge']) expect(under(disc('x', kind, 6))).toBeNull();
  expect(under()).toBeNull();
});
