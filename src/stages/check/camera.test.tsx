import { screen } from '@testing-library/react';

import type { NewEvent } from '@/model/event';
import { demoSettings } from '@/demo/shop';
import { call, enter, press, reading, renderStage, tick } from '../../../test-support/stage';
import { jobNow, logged, startShop } from '../../../test-support/mockShop';
import { sheetOf } from '@/stages/handover/sheet';
import { CameraScreen } from './CameraScreen';

jest.mock('@/store/shop', () => jest.requireActual('../../../test-support/mockShop'));
jest.mock('expo-router', () => jest.requireActual('../../../test-support/mockRouter'));
jest.mock('@/ui/alarm', () => ({ unlockSound: () => {} }));
const mockSaved: string[] = [];
jest.mock('@/ui/download', () => ({
  download: (_: string, text: string) => void mockSaved.push(text),
  pickFile: async () => new File(['x'], 'target.jpg'),
}));
const mockAnswer: { target: unknown; flat: unknown; fails: string | null } = { target: null, flat: null, fails: null };
const mockRun = (what: 'target' | 'flat') => () => ({
  result: mockAnswer.fails ? Promise.reject(new Error(mockAnswer.fails)) : Promise.resolve(mockAnswer[what]),
  cancel: () => {},
});
jest.mock('@/workers/cameraClient', () => ({
  targetInWorker: () => mockRun('target')(),
  flatInWorker: () => mockRun('flat')(),
  tappedInWorker: () => ({ result: Promise.reject(new Error('edge: no step from dark to bright')), cancel: () => {} }),
}));

const t0 = new Date('2026-04-14T13:00:00').getTime();
const id = 'demo-0137';
const lens = () => jobNow(id).face.holes.find((h) => h.role === 'camera')!.id;
const edges = (k: number) => ['a', 'b', 'c', 'd', 'e', 'f'].map((key, i) => ({ key, mtf50: k * (0.2 + 0.002 * i) }));
const patch = (black: number) => ({ white: 0.8, black, dark: 0, uBlack: 1e-4, uWhite: 1e-4 });
const shot = (phase: 'before' | 'after', k: number, black = 0.004): NewEvent => ({
  type: 'cameraShot',
  phase,
  lens: lens(),
  edges: edges(k),
  patch: patch(black),
});

beforeEach(() => {
  mockAnswer.fails = null;
  startShop(t0);
  URL.createObjectURL = () => 'blob:x';
  URL.revokeObjectURL = () => {};
});

it('before against after: ratio with its interval, flare, and what it cannot see stands on the page', () => {
  startShop(t0, { [id]: [shot('before', 1), shot('after', 0.6, 0.03)] });
  renderStage(CameraScreen, id);
  expect(call()).toBe('Clear loss of sharpness, haze or flare added.');
  expect(reading(/^.*sharpness/)).toMatch(/^0\.60 ×/);
  expect(reading(/in the black/)).toMatch(/^3\.3 %/);
  expect(screen.getByText(/Dust on the outer cover is too far out of focus/)).toBeTruthy();
  const lines = sheetOf(jobNow(id), demoSettings, t0).flatMap((s) => s.lines);
  expect(lines.some((l) => /through its cover: clear loss of sharpness, 0\.60 times/.test(l))).toBe(true);
});

it('a picture is measured in the worker and kept as figures; one can be left out again', async () => {
  renderStage(CameraScreen, id);
  mockAnswer.target = {
    edges: edges(1).map((e) => ({ ...e, slopeDeg: 5, at: [0, 0] })),
    patch: patch(0.004),
    left: [],
  };
  await press('Picture of the target');
  expect(screen.getByRole('status').textContent).toBe('target.jpg: 6 edges measured.');
  expect(logged(id)).toHaveLength(1);
  await press('Leave out');
  expect(jobNow(id).cameraShots).toEqual([]);
});

it('a picture without an edge is named, and nothing is changed', async () => {
  renderStage(CameraScreen, id);
  mockAnswer.fails = 'picture: no square of the target is not possible';
  await press('Picture of the target');
  expect(screen.getByRole('alert').textContent).toContain('no square of the target');
  expect(screen.getByRole('alert').textContent).toContain('Nothing was changed.');
  expect(logged(id)).toEqual([]);
});

it('an even field gives specks before and after', async () => {
  renderStage(CameraScreen, id);
  mockAnswer.flat = {
    specks: [
      { kind: 'dark', peak: -0.08 },
      { kind: 'bright', peak: 0.02 },
    ],
    sigma: 0,
    threshold: 0,
  };
  await press('Picture of an even field');
  expect(logged(id).at(-1)).toMatchObject({ type: 'flatShot', dark: 1, bright: 1, deepest: 0.08 });
  expect(reading(/specks before/)).toMatch(/^– \/ 2/);
});

it('seating: four gaps and three steps say whether it sits, and in the middle', async () => {
  renderStage(CameraScreen, id);
  await press('How the cover sits, with a gauge');
  for (const [place, v] of [
    ['right', '0.05'],
    ['top', '0.1'],
    ['left', '0.15'],
    ['bottom', '0.1'],
  ] as const)
    await enter(new RegExp(`^Ring gap ${place}`), v);
  for (const place of ['at the top', 'lower left', 'lower right']) await enter(new RegExp(`^Step ${place}`), '0.01');
  await press('Note how it sits');
  expect(screen.getByTestId('seat').textContent).toMatch(/^It sits, centred\. Off by 0\.05 mm, least gap 0\.05 mm/);
});

it('seating by eye: one tap when all is well, and what a finger can tell', async () => {
  renderStage(CameraScreen, id);
  await press('Level, and in the middle');
  expect(logged(id).at(-1)).toMatchObject({ type: 'eye', of: 'cover', fine: true });
  expect(screen.getByTestId('coverByEye').textContent).toMatch(/A finger finds a step of 0\.29 mm nine times in ten/);
  const lines = sheetOf(jobNow(id), demoSettings, t0).flatMap((s) => s.lines);
  expect(lines.some((l) => /through its cover: .*by eye/.test(l))).toBe(true);
});

it('seating by eye: places that stand proud say what lies under', async () => {
  renderStage(CameraScreen, id);
  await press('Not so');
  expect(screen.getByText('Tap the places where it is not.')).toBeTruthy();
  await press('Places as a list');
  await tick(/^1\. .*right/);
  expect(logged(id).at(-1)).toMatchObject({
    type: 'eye',
    of: 'cover',
    fine: false,
    spots: [{ point: `${lens()}:right`, how: 'high' }],
  });
  expect(screen.getByTestId('coverByEye').textContent).toMatch(/lift it, clear what lies under it \(right\)/);
  expect(reading(/cover in its hole/)).toMatch(/^does not sit/i);
});

it('the target for the printer is the one that is looked for', async () => {
  renderStage(CameraScreen, id);
  await press('Target');
  const svg = new DOMParser().parseFromString(mockSaved[0]!, 'image/svg+xml');
  expect(svg.querySelectorAll('polygon')).toHaveLength(5);
  expect(svg.documentElement.getAttribute('width')).toBe('277mm');
});
