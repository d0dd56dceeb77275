import { readTemperature } from './temperature';

it.each([
  ['cure at 15', 'C', 15, 'cure at'],
  ['cure at 15 °C?', 'C', 15, 'cure at ?'],
  ['how long at 59 F', 'C', 15, 'how long at'],
  ['glue 59', 'F', 15, 'glue'],
  ['12,5 glue', 'C', 12.5, 'glue'],
  ['-5', 'C', -5, ''],
] as const)('"%s" in °%s is %d °C beside "%s"', (typed, unit, tC, rest) => {
  expect(readTemperature(typed, unit)).toEqual({ tC, rest, sure: /[°F]/.test(typed) });
});

it.each(['J-0143', 'Ring-bond 6.1x', 'plate 110', '6.1x', 'battery limit', '', 'x15y'])(
  '"%s" is no room temperature',
  (typed) => {
    expect(readTemperature(typed, 'C')).toEqual({ tC: null, rest: typed, sure: false });
  },
);
