import fc from 'fast-check';

import { readNumber, readTime } from './read';
import {
  chance,
  clock,
  dial,
  fromF,
  kelvin,
  length,
  percent,
  span,
  spoken,
  temp,
  toF,
  typedToC,
  typedToMm,
} from './units';

const metric = { temperature: 'C', length: 'mm' } as const;
const inch = { temperature: 'F', length: 'in' } as const;

it('temperatures: 400 °F is about 204 °C, a dial is shown in both, a difference is not shifted', () => {
  expect(Math.round(fromF(400))).toBe(204);
  expect(dial(110)).toBe('110 °C / 230 °F');
  expect(temp(60, inch)).toBe('140 °F');
  expect(kelvin(10, inch)).toBe('18.0 °F');
});

it('conversions are inverse (property)', () => {
  fc.assert(fc.property(fc.double({ min: -50, max: 300, noNaN: true }), (c) => Math.abs(fromF(toF(c)) - c) < 1e-9));
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 300, noNaN: true }),
      (v) => Math.abs(typedToMm(v / 25.4, inch) - v) < 1e-9 && typedToMm(v, metric) === v,
    ),
  );
  expect(typedToC(212, inch)).toBeCloseTo(100, 9);
});

it('lengths carry their unit', () => {
  expect(length(25.4, metric)).toBe('25.4 mm');
  expect(length(25.4, inch)).toBe('1.000 in');
});

it('clocks and spans', () => {
  expect([0, 28, 75, 3599].map(clock)).toEqual(['0:00', '0:28', '1:15', '59:59']);
  expect(clock(3660)).toBe('1:01 h');
  expect(clock(-40)).toBe('+0:40');
  expect([3.4, 47, 72, 132, 1228, 5160].map(spoken)).toEqual([
    '3 s',
    '45 s',
    '1 min 10 s',
    '2 min 10 s',
    '20 min',
    '1 h 26 min',
  ]);
  expect([0.0004, 0.018, 0.08, 0.31, 0.5, 0.62, 0.995].map(chance)).toEqual([
    'under 1 in 1000',
    '1 in 55',
    '1 in 13',
    '1 in 3',
    '1 in 2',
    '6 in 10',
    'almost surely',
  ]);
  expect([1800, 5160, 7200, 200_000].map(span)).toEqual(['30 min', '1 h 26 min', '2 h', '56 h']);
  expect([0.5, 0.018, 0.00002].map(percent)).toEqual(['50 %', '1.8 %', 'under 0.1 %']);
});

it('typed numbers: a comma counts, everything else is named with its range', () => {
  const read = (t: string) => readNumber(t, 'Charge', 0, 100, '%');
  expect(read(' 31 ')).toEqual({ value: 31 });
  expect(read('0,5')).toEqual({ value: 0.5 });
  for (const bad of ['', 'NaN', 'abc', '1e3', 'Infinity', '--3', '0x10'])
    expect(read(bad)).toHaveProperty('problem', expect.stringContaining('0 to 100 %'));
  expect(read('900')).toEqual({ problem: 'Charge: enter 0 to 100 % (you entered 900)' });
  expect(read('-1')).toHaveProperty('problem');
});

it('typed times', () => {
  expect(readTime('16:30')).toEqual({ hours: 16, minutes: 30 });
  expect(readTime('0905')).toEqual({ hours: 9, minutes: 5 });
  for (const bad of ['25:00', '12:60', 'noon', '', '1']) expect(readTime(bad)).toBeNull();
});
