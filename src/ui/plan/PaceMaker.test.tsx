import { act, render } from '@testing-library/react';

import { pathAt } from '@/core/heat/airPath';
import { shippedDevices } from '@/model/shippedDevices';
import { Plan } from './Plan';
import { PaceMaker } from './PaceMaker';

const device = shippedDevices[0]!;
const outline = device.leaves[0]!.outline;
const shares = Array.from({ length: 24 }, (_, i) => (i === 6 ? 4 : 1));
const loop = { kind: 'loop' as const, insetMm: 2, roundS: 4, shares };

function show(running: boolean, path: Parameters<typeof PaceMaker>[0]['path'] = loop) {
  const { container } = render(
    <Plan device={device} bond={device.bonds[0]!} width={300} height={500} label="x" lines={[]}>
      <PaceMaker outline={outline} path={path} running={running} />
    </Plan>,
  );
  const paths = [...container.querySelectorAll('svg path')];
  const discs = () =>
    [...container.querySelectorAll('svg circle')].map((c) => [
      Number(c.getAttribute('cx')),
      Number(c.getAttribute('cy')),
    ]);
  return { paths, discs };
}

it('the way is thicker where the nozzle goes slower', () => {
  const widths = show(false).paths.map((p) => Number(p.getAttribute('stroke-width')));
  expect(widths).toHaveLength(24);
  expect(widths[6]!).toBeGreaterThan(2 * widths[0]!);
});

it('without air there is a way, but no nozzle', () => {
  expect(show(false).discs()).toHaveLength(0);
});

it('the nozzle moves along its way in real time', async () => {
  let frame: FrameRequestCallback = () => {};
  jest.spyOn(globalThis, 'requestAnimationFrame').mockImplementation((f) => {
    frame = f;
    return 1;
  });
  let clock = 1000;
  jest.spyOn(performance, 'now').mockImplementation(() => clock);
  const { discs } = show(true);
  const start = discs()[0]!;
  clock += 1300;
  await act(async () => frame(clock));
  const [x, y] = pathAt(outline, loop, 1.3);
  expect(discs()[0]![0]!).toBeCloseTo(x, 3);
  expect(discs()[0]![1]!).toBeCloseTo(y, 3);
  expect(discs()[0]).not.toEqual(start);
  jest.restoreAllMocks();
});

it('stands still for somebody who asked for less movement', () => {
  const asked = jest.fn();
  jest.spyOn(globalThis, 'requestAnimationFrame').mockImplementation(asked);
  Object.assign(globalThis, { matchMedia: () => ({ matches: true }) });
  expect(show(true).discs()).toHaveLength(2);
  expect(asked).not.toHaveBeenCalled();
  delete (globalThis as { matchMedia?: unknown }).matchMedia;
  jest.restoreAllMocks();
});

it('a spot and a stretch of the edge have their way too', () => {
  expect(show(false, { kind: 'spot', at: [36, 90], radiusMm: 6 }).paths).toHaveLength(1);
  expect(show(false, { kind: 'strip', insetMm: 2, from: -0.05, to: 0.05, speedMmS: 30 }).paths).toHaveLength(1);
});
