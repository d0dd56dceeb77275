import { render, screen } from '@testing-library/react';
import Svg from 'react-native-svg';
import type { ReactNode } from 'react';

import { bondPerimeter } from '@/core/device/perimeter';
import { keepOuts } from '@/core/lift/depth';
import { shippedDevices } from '@/model/shippedDevices';
import tokens from '../tokens.json';
import { DeviceBody, DeviceLines } from './BaseLayer';
import { FieldLayer, tintStepsC } from './FieldLayer';
import { PlanFrameProvider, usePlanFrame } from './frame';
import { DepthLine, MoveArrow, Numbers, RingArcs, TapeBars } from './layers';
import { arcPath, polyline, shapePath } from './svgPath';

const device = shippedDevices[0]!;
const bond = device.bonds[0]!;
const path = bondPerimeter(device, bond);
const frame = {
  device,
  bond,
  path,
  outs: keepOuts(device, bond, new Set(device.parts.map((p) => p.id))),
  tokens: tokens.light,
  mm: 0.5,
};

const draw = (layer: ReactNode) => {
  const { container } = render(
    <PlanFrameProvider value={frame}>
      <Svg viewBox="0 0 72 150">{layer}</Svg>
    </PlanFrameProvider>,
  );
  return {
    paths: [...container.querySelectorAll('path')],
    circles: [...container.querySelectorAll('circle')],
    texts: [...container.querySelectorAll('text')],
  };
};
const numbers = (d: string) => (d.match(/-?\d+\.?\d*/g) ?? []).map(Number);

describe('paths', () => {
  it('a rounded rectangle has four straights and four arcs and closes', () => {
    const d = shapePath({ kind: 'roundRect', min: [0, 0], max: [72, 150], rMm: 10 });
    expect(d.match(/A/g)).toHaveLength(4);
    expect(d.startsWith('M10.00 0.00')).toBe(true);
    expect(d.endsWith('Z')).toBe(true);
  });

  it('a disc is two half circles; a polygon its points; a band two outlines', () => {
    expect(shapePath({ kind: 'disc', c: [5, 5], rMm: 2 }).match(/a/g)).toHaveLength(2);
    expect(
      polyline([
        [0, 0],
        [1, 2],
      ]),
    ).toBe('M0.00 0.00 L1.00 2.00');
    const ring = shapePath({ kind: 'band', of: { kind: 'disc', c: [0, 0], rMm: 5 }, fromMm: 0, toMm: 2 });
    expect(ring.match(/M/g)).toHaveLength(2);
  });

  it('a stretch of the ring runs from its first to its last point, moved inward on demand', () => {
    const out = numbers(arcPath(path, 0, 20));
    expect(out.slice(0, 2)).toEqual(path.point(0).at.map((v) => Number(v.toFixed(2))));
    const inward = numbers(arcPath(path, 0, 20, 3));
    expect(out[1]! - inward[1]!).toBeCloseTo(3, 2);
  });
});

describe('layers', () => {
  it('the body is the outline of the device; the lines carry every lens and keep-out', () => {
    const { paths } = draw(
      <>
        <DeviceBody />
        <DeviceLines />
      </>,
    );
    // body, hatch line apart: battery, board, ring, four keep-outs, four holes
    expect(paths.length).toBe(1 + 2 + 1 + frame.outs.length + device.faces[0]!.holes.length);
    expect(paths.some((p) => p.getAttribute('fill') === 'url(#hatch)')).toBe(true);
  });

  it('isolines: one tint per step that is reached, and the threshold in bold', () => {
    const raster = { nx: 10, ny: 20, originMm: [3, 3] as [number, number], stepMm: [7, 7] as [number, number] };
    const valuesC = Float64Array.from({ length: 200 }, (_, i) => 30 + (i % 10) * 5);
    const { paths } = draw(<FieldLayer valuesC={valuesC} raster={raster} boldC={62} />);
    const reached = tintStepsC.filter((c) => c <= 75).length;
    const tinted = paths.filter((p) => p.getAttribute('stroke-opacity') === '0.3');
    expect(tinted).toHaveLength(reached);
    const bold = paths.find(
      (p) =>
        p.getAttribute('fill') === 'none' &&
        p.getAttribute('stroke') === '#14283A' &&
        p.getAttribute('stroke-width') === '1.25',
    );
    // 62 °C lies between columns 6 (60) and 7 (65): x = 3 + 6.4 x 7
    expect(numbers(bold!.getAttribute('d')!).some((v) => Math.abs(v - 47.8) < 0.02)).toBe(true);
  });

  it('ring arcs tell their state by width and dash, not by colour alone', () => {
    const { paths } = draw(
      <RingArcs
        arcs={(['go', 'slow', 'reheat', 'stop', 'free', 'dry'] as const).map((state, i) => ({
          fromMm: i * 20,
          toMm: i * 20 + 18,
          state,
        }))}
      />,
    );
    const looks = paths.map(
      (p) => `${p.getAttribute('stroke-width')}/${p.getAttribute('stroke-dasharray')}/${p.getAttribute('stroke')}`,
    );
    expect(new Set(looks).size).toBe(6);
  });

  it('numbers: the next one is filled and larger, those to come are dashed', () => {
    const { circles, texts } = draw(
      <Numbers
        items={[
          { at: [10, 10], text: '1', state: 'done' },
          { at: [20, 10], text: '2', state: 'next' },
          { at: [30, 10], text: '3', state: 'todo' },
        ]}
      />,
    );
    expect(texts.map((t) => t.textContent)).toEqual(['1', '2', '3']);
    expect(Number(circles[1]!.getAttribute('r'))).toBeGreaterThan(Number(circles[0]!.getAttribute('r')));
    expect(circles[2]!.getAttribute('stroke-dasharray')).toBeTruthy();
  });

  it('the depth line stays inside the ring and is cut at 14 mm', () => {
    const { paths } = draw(<DepthLine limits={[0, 100, 200, 300].map((sMm) => ({ sMm, limitMm: 30 }))} />);
    const xy = numbers(paths[0]!.getAttribute('d')!);
    expect(xy[1]).toBeCloseTo(150 - 14, 1);
  });

  it('tape bars join end to end, an arrow points where the slide goes, and none is drawn for no slide', () => {
    expect(draw(<TapeBars widthMm={2} pieces={[{ from: [0, 0], to: [10, 0] }]} />).paths[0]!.getAttribute('d')).toBe(
      'M0 0 L10 0',
    );
    const arrow = numbers(draw(<MoveArrow from={[36, 75]} dx={0} dy={-0.12} />).paths[0]!.getAttribute('d')!);
    expect(arrow[3]).toBeLessThan(arrow[1]!);
    expect(arrow[2]).toBeCloseTo(36, 6);
    expect(draw(<MoveArrow from={[36, 75]} dx={0} dy={0} />).paths).toHaveLength(0);
  });

  it('a layer outside a plan says so', () => {
    const Lost = () => <>{String(usePlanFrame())}</>;
    jest.spyOn(console, 'error').mockImplementation(() => {});
    expect(() => render(<Lost />)).toThrow('a plan layer stands outside a plan');
    expect(screen.queryByRole('img')).toBeNull();
  });
});
