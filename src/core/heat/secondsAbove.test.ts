import fc from 'fast-check';

import { SecondsAbove, secondsAboveOf } from './secondsAbove';

/** Above from 100 to 160 s and from 300 s on. */
const at = [0, 100, 160, 300];
const isAbove = (t: number) => (t >= 100 && t < 160) || t >= 300;

it('counts what lies above, by hand, and the part of a step that has gone by', () => {
  const count = new SecondsAbove(isAbove, 0, at);
  expect(count.upTo(90)).toBe(0);
  expect(count.upTo(130)).toBe(30);
  expect(count.upTo(132)).toBe(32);
  expect(count.upTo(250)).toBe(60);
  expect(count.upTo(400)).toBe(160);
  // looked back at, it is what it was
  expect(count.upTo(130)).toBe(30);
  expect(count.upTo(-5)).toBe(0);
});

it('asked in any order and as often as one likes it says the same as asked once (property)', () => {
  fc.assert(
    fc.property(fc.array(fc.double({ min: 0, max: 500, noNaN: true }), { minLength: 1, maxLength: 30 }), (list) => {
      const often = new SecondsAbove(isAbove, -20, at);
      return list.every((t) => Math.abs(often.upTo(t) - new SecondsAbove(isAbove, -20, at).upTo(t)) < 1e-9);
    }),
  );
});

it('each instant is looked at once, however often it is asked', () => {
  let looks = 0;
  const count = new SecondsAbove(
    (t) => {
      looks++;
      return isAbove(t);
    },
    0,
    at,
  );
  for (let t = 0; t <= 600; t += 1) count.upTo(t);
  // about 120 steps, and one look at what has begun for each of 601 questions
  expect(looks).toBeLessThanOrEqual(601 + 120);
  looks = 0;
  count.upTo(605);
  expect(looks).toBeLessThanOrEqual(2);
});

it('left on for five days, and heated again after two, it costs a few hundred looks and misses no heat', () => {
  const day = 86_400;
  let looks = 0;
  const warm = (t: number) => {
    looks++;
    return (t >= 60 && t < 200) || (t >= 2 * day + 60 && t < 2 * day + 200);
  };
  const seconds = new SecondsAbove(warm, 0, [0, 200, 2 * day, 2 * day + 200]).upTo(5 * day);
  expect(Math.abs(seconds - 280)).toBeLessThan(12);
  expect(looks).toBeLessThan(1500);
});

it('a run keeps one count for each question', () => {
  const [run, other] = [{}, {}];
  const make = () => new SecondsAbove(isAbove, 0);
  const first = secondsAboveOf(run, 'battery 60', make);
  expect(secondsAboveOf(run, 'battery 60', make)).toBe(first);
  expect(secondsAboveOf(run, 'battery 80', make)).not.toBe(first);
  expect(secondsAboveOf(other, 'battery 60', make)).not.toBe(first);
});
