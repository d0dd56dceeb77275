import { LogError, maxLogBytes, readThermoLog } from './thermoLog';

const rows = (n: number, f: (i: number) => string) => Array.from({ length: n }, (_, i) => f(i)).join('\n');

it.each([
  [
    'comma, heading with units',
    `time (s),temp (°C)\n${rows(5, (i) => `${i * 2},${20 + i}.5`)}`,
    [0, 2, 4, 6, 8],
    20.5,
    'C',
    'heading',
  ],
  [
    'semicolon with decimal comma',
    `t;Probe °C\n${rows(5, (i) => `${i},5;${20 + i},25`)}`,
    [0, 1, 2, 3, 4],
    20.25,
    'C',
    'heading',
  ],
  ['tab, no heading', rows(4, (i) => `${i * 3}\t${21 + i}`), [0, 3, 6, 9], 21, 'C', 'guess'],
  [
    'clock and channel',
    `Index,Time,CH1\n${rows(4, (i) => `${i + 1},00:01:0${i},${25 + i}`)}`,
    [0, 1, 2, 3],
    25,
    'C',
    'guess',
  ],
  ['minutes', `elapsed min,temp C\n${rows(4, (i) => `${i * 0.5},${25 + i}`)}`, [0, 30, 60, 90], 25, 'C', 'heading'],
  [
    'date and clock',
    `date,temperature F\n${rows(3, (i) => `2026-04-14 13:00:0${i},${68 + 9 * i}`)}`,
    [0, 1, 2],
    20,
    'F',
    'heading',
  ],
  [
    '°F that nobody said, a warm bench and hot later',
    `${rows(4, (i) => `${i},${68 + 40 * i}`)}`,
    [0, 1, 2, 3],
    20,
    'F',
    'guess',
  ],
] as const)('reads %s', (_, text, tS, first, unit, from) => {
  const log = readThermoLog(text);
  expect(log.tS.map((t) => Math.round(t * 1e6) / 1e6)).toEqual([...tS]);
  expect(log.tempC[0]).toBeCloseTo(first, 6);
  expect(log).toMatchObject({ unit, unitFrom: from, skipped: 0 });
});

it('leaves out readings of an open probe and counts them; other columns can be chosen, and the unit', () => {
  const text = 's,probe 1,probe 2\n0,20,30\n1,---,31\n2,22,32\n3,OL,33';
  expect(readThermoLog(text)).toMatchObject({ tS: [0, 2], tempC: [20, 22], skipped: 2, otherTemps: ['probe 2'] });
  expect(readThermoLog(text, { temp: 'probe 2' })).toMatchObject({ tempC: [30, 31, 32, 33], tempName: 'probe 2' });
  expect(readThermoLog('s,t C\n0,212\n1,212', { unit: 'F' }).tempC).toEqual([100, 100]);
});

it.each([
  ['', /no lines with numbers/],
  ['just a text\nand another', /one column/],
  ['a,b\n1,2\n1,2', /no column of times that go up/],
  ['time s,temp C\n0,20\n1,warm\n2,22\n3,23\n4,24', /line 3: "warm" is no temperature/],
  ['time s,temp C\n0,20\n1,21\n2,5000\n3,23', /line 4: 5000, allowed are -200 to 1000/],
  ['time s,note\n0,x\n1,y', /no column of temperatures/],
])('refuses %j by its line', (text, message) => {
  expect(() => readThermoLog(text)).toThrow(LogError);
  expect(() => readThermoLog(text)).toThrow(message);
});

it('refuses a file that is far too large without reading it', () => {
  expect(() => readThermoLog('1,2\n'.repeat(maxLogBytes / 4 + 1))).toThrow(/allowed are up to 5 MB/);
});
