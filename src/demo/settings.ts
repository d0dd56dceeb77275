import { type Settings } from '@/model/settings';
import { defaultSettings } from '@/model/defaultSettings';
import { departure } from './script';

/**
 * The demo shop: a two-person repair counter at a ferry terminal, where a promise is a departure. Everything is invented.
 * Instants are laid out round the moment of loading, so that clocks run when somebody looks.
 */
export const demoSettings: Settings = {
  ...defaultSettings,
  person: 'Mirel',
  people: ['Mirel', 'Osk'],
  ringsInStock: { ring61: 2, ring54: 1, tablet10: 0 },
  tapes: [
    {
      ...defaultSettings.tapes[0]!,
      offcuts: [
        { id: 'o62', lengthMm: 62 },
        { id: 'o95', lengthMm: 95 },
        { id: 'o140', lengthMm: 140 },
      ],
    },
    {
      id: 'thinBlack',
      name: 'thin black tape',
      widthMm: 1.5,
      thicknessMm: 0.2,
      black: true,
      rolls: [
        { id: 'b1', lengthMm: 8000, countedAt: 0 },
        { id: 'b2', lengthMm: 390, countedAt: 0 },
      ],
      offcuts: [{ id: 'b80', lengthMm: 80 }],
      offcutsAt: 0,
    },
  ],
  liquids: defaultSettings.liquids.map((l) => ({ ...l, leftMl: { clear: 11.2, black: 6.4, elastic: 24 }[l.id] ?? 0 })),
  shelves: [...defaultSettings.shelves, { id: 'W', name: 'warm box', tC: 35 }],
  night: { on: true, fromH: 20, toH: 7, tC: 14 },
  delayCostPerH: 0.5,
  // from the first boat to the last
  hours: { days: Array.from({ length: 7 }, () => ({ fromMin: 6 * 60 + 30, toMin: 22 * 60 + 30 })) },
  rota: {
    Mirel: { breakFromMin: 12 * 60 + 30, breakMin: 30, off: [] },
    Osk: { breakFromMin: 13 * 60 + 30, breakMin: 30, off: [] },
  },
  testers: 1,
};

const dayMs = 24 * 3600e3;

/** The same with dates: tubes that are open, parts that were counted two days ago, one order on its way. */
export function demoSettingsAt(now: number): Settings {
  const counted = now - 2 * dayMs;
  const tube = (
    id: string,
    qty: number,
    expiresIn: number,
    openedBefore: number | null,
    openLifeDays: number | null,
  ) => ({
    id,
    qty,
    expiresAt: now + expiresIn * dayMs,
    openedAt: openedBefore === null ? null : now - openedBefore * dayMs,
    openLifeDays,
  });
  const lots = (qty: number) => [{ id: 'a', qty, expiresAt: null, openedAt: null, openLifeDays: null }];
  const part = (deviceId: string, item: string, origin: string, qty: number, leadDays: number) => ({
    id: `${deviceId}-${item}-${origin}`,
    deviceId,
    item,
    origin,
    lots: lots(qty),
    countedAt: counted,
    leadDays,
    leadSdDays: 1,
    onOrder: [] as Settings['parts'][number]['onOrder'],
  });
  return {
    ...demoSettings,
    liquids: demoSettings.liquids.map((l) => ({
      ...l,
      countedAt: counted,
      tubes:
        {
          clear: [tube('c1', 3.2, 200, 30, 45), tube('c2', 8, 300, null, 45)],
          black: [tube('b1', 6.4, 12, 20, 60)],
          elastic: [tube('e1', 4, 90, 50, 45), tube('e2', 20, 240, null, 45)],
        }[l.id] ?? [],
    })),
    parts: [
      part('ring61', 'glass', 'genuine', 3, 3),
      part('ring61', 'glass', 'aftermarket', 2, 6),
      part('ring54', 'glass', 'genuine', 4, 3),
      part('full64', 'glass', 'genuine', 2, 4),
      part('plastic60', 'housing', 'aftermarket', 2, 7),
      part('lens67', 'lensSet', 'genuine', 1, 3),
      {
        ...part('tablet10', 'glass', 'genuine', 1, 5),
        onOrder: [{ id: 't', qty: 2, at: now - dayMs, dueAt: now + 3 * dayMs }],
      },
      {
        ...part('fold78', 'glass', 'genuine', 0, 6),
        onOrder: [{ id: 'f', qty: 1, at: now - dayMs, dueAt: departure(now, 18 * 60) }],
      },
    ],
  };
}
