import type { Device } from '@/core/device/types';
import { gaugePoints } from '@/core/fit/gaugePoints';
import type { NewEvent } from '@/model/event';
import { departure, device, done, intake, minute, Script, wobble } from './script';

type Opened = (d: Device, label: string, customerMark: string, promiseAt: number | null) => NewEvent;

/** Jobs that stand at intake or wait: what the crack map, the bent frame, the lens covers and the housing look like. */
/** A bead that cures on the shelf. */
function demoBead(now: number, opened: Opened): Script {
  return new Script('demo-0132', 'Osk')
    .at(now - 20 * 60 * minute, opened(device('ring54'), 'J-0132', 'crew 8', departure(now, 60 * 60)))
    .at(
      now - 19.9 * 60 * minute,
      ...intake({ edges: ['bottom'], closedBy: 'bead' }),
      ...done('intake', 'heat', 'lift', 'clean', 'dryFit'),
    )
    .at(
      now - 17.1 * 60 * minute,
      {
        type: 'bead',
        phase: 'start',
        plan: {
          school: 'liquidBead',
          liquidId: 'black',
          bondMm: 1.4,
          gapMm: 0.2,
          feedMmS: 8,
          tornMm: 0,
          coverage: 0.5,
          pitchMm: 6,
          pattern: 'lines',
          tubeC: 21,
        },
      },
      { type: 'prep', item: 'blownClosing', done: true },
      { type: 'prep', item: 'photoClosing', done: true },
    )
    .at(now - 17.08 * 60 * minute, { type: 'bead', phase: 'end' })
    .at(
      now - 17.06 * 60 * minute,
      {
        type: 'bonded',
        adhesive: 'liquidBead',
        usedMm: 0,
        widthMm: 1.8,
        cure: 'solvent',
        bondMm: 1.4,
        gapMm: 0.2,
        itemId: 'black',
        used: [{ kind: 'liquid', id: 'black', amount: 0.114 }],
      },
      ...done('bond'),
    )
    .at(
      now - 17 * 60 * minute,
      { type: 'ambient', tempC: 21, rh: 55 },
      { type: 'clampOn', clip: 'gentle clip', count: 11, forceN: 6 },
      { type: 'shelved', place: 'A2', tC: null },
    )
    .at(now - 16 * 60 * minute, { type: 'clampOff', early: false });
}

export function demoIntakes(now: number, opened: Opened): Script[] {
  const full = device('full64');
  const shattered = new Script('demo-0140', 'Osk')
    .at(now - 9 * minute, opened(full, 'J-0140', 'kiosk', departure(now, 26 * 60)))
    .at(
      now - 7 * minute,
      { type: 'finding', kind: 'cellSwollen', answer: 'no' },
      { type: 'finding', kind: 'crack', answer: 'yes', edges: [] },
      ...shatter.map((pts, i): NewEvent => ({
        type: 'crack',
        crackId: `c${i}`,
        onFace: 'back',
        pts: pts.map(([x, y]) => [x, y]),
      })),
      { type: 'chipMark', chipId: 'k0', onFace: 'back', place: [74, 118] },
      { type: 'finding', kind: 'chip', answer: 'yes' },
    );
  const ring61 = device('ring61');
  const bent = new Script('demo-0138', 'Mirel')
    .at(now - 30 * minute, opened(ring61, 'J-0138', 'locker 11', departure(now, 200)))
    .at(
      now - 26 * minute,
      ...intake({ edges: ['top'], bent: 'yes' }),
      ...gaugePoints(ring61, ring61.bonds[0]!).map((p, i): NewEvent => ({
        type: 'reading',
        quantity: 'seatMm',
        point: p.id,
        // the upper right corner is bent down
        value:
          Math.round(
            (-0.13 * Math.exp(-(((p.at[0] - 72) / 26) ** 2) - (p.at[1] / 34) ** 2) + wobble(i, 0.006)) * 1000,
          ) / 1000 || 0,
        u: 0.02,
      })),
    );
  const lens = new Script('demo-0136', 'Osk')
    .at(now - 50 * minute, opened(device('lens67'), 'J-0136', 'locker 15', departure(now, 90)))
    .at(now - 45 * minute, ...intake({ work: 'lensCovers', bondId: 'lens1Tape' }), ...done('intake', 'heat'));
  const housing = new Script('demo-0135', 'Mirel')
    .at(now - 300 * minute, opened(device('plastic60'), 'J-0135', 'crew 3', departure(now, 30 * 60)))
    .at(
      now - 290 * minute,
      ...intake({ work: 'wholeHousing', origin: 'aftermarket', edges: ['left', 'bottom'] }),
      ...done('intake', 'heat', 'lift'),
    )
    .at(
      now - 255 * minute,
      { type: 'partState', partId: 'battery', to: 'out' },
      { type: 'partState', partId: 'camera', to: 'out' },
    );
  const waiting = new Script('demo-0134', 'Osk')
    .at(now - 26 * 60 * minute, opened(device('fold78'), 'J-0134', 'locker 1', departure(now, 50 * 60)))
    .at(now - 26 * 60 * minute + 6 * minute, ...intake({ bondId: 'outerRing', edges: ['right'] }), {
      type: 'note',
      text: 'outer glass is on order, comes with the morning boat',
    })
    .at(now - 25 * 60 * minute, {
      type: 'partDue',
      part: 'outer glass',
      dueAt: departure(now, 18 * 60),
      here: false,
    });
  // a bead laid yesterday evening: a cold night counts
  const comeBack = new Script('demo-0133', 'Mirel')
    .at(now - 70 * minute, opened(device('ring54'), 'J-0133', 'locker 6', departure(now, 240)))
    .at(now - 66 * minute, ...intake({ keep: true }), {
      type: 'finding',
      kind: 'earlierRepair',
      answer: 'yes',
      note: 'our own job, lifts at the lower left: old tape left under it?',
    })
    .at(now - 65 * minute, {
      type: 'comeBack',
      firstJobId: 'demo-0126',
      firstLabel: 'J-0126',
      presumed: 'bondLifted',
      note: 'lifts at the lower left',
    });
  return [shattered, bent, lens, housing, waiting, comeBack, demoBead(now, opened)];
}

/** A blow low on the right: rays to the edges, and two rings round it. */
const shatter: [number, number][][] = [
  [
    [52, 104],
    [74, 118],
  ],
  [
    [52, 104],
    [74, 84],
    [74, 84.5],
  ],
  [
    [52, 104],
    [60, 158],
  ],
  [
    [52, 104],
    [30, 158],
  ],
  [
    [52, 104],
    [0, 132],
  ],
  [
    [52, 104],
    [0, 76],
  ],
  [
    [52, 104],
    [36, 60],
    [46, 0],
  ],
  [
    [52, 104],
    [66, 40],
    [74, 32],
  ],
  [
    [66, 113],
    [57, 122],
    [44, 118],
    [36, 110],
    [38, 97],
    [47, 91],
    [60, 92],
    [66, 98.5],
    [66, 113],
  ],
  [
    [27, 118],
    [23, 140],
    [36, 144],
  ],
  [
    [20, 8],
    [40, 34],
  ],
  [
    [8, 100],
    [14, 108],
  ],
];
