import { readPressureLog } from './pressureLog';
import { LogError } from './thermoLog';

const lines = (f: (t: number) => string, n = 30) => Array.from({ length: n }, (_, i) => f(i)).join('\n');

it.each([
  ['comma, Pa', `time s,pressure Pa\n${lines((t) => `${t},${500 - t}`)}`, 'Pa', 500],
  [
    'semicolon, decimal comma, hPa',
    `Zeit;Druck hPa\n${lines((t) => `${t},5;${(5 - t / 100).toFixed(2).replace('.', ',')}`)}`,
    'hPa',
    500,
  ],
  ['tab, kPa', `t\tkPa\n${lines((t) => `${t}\t${(0.5 - t / 1000).toFixed(3)}`)}`, 'kPa', 500],
  ['no heading, gauge', lines((t) => `${t},${500 - t}`), 'hPa', 50000],
] as const)('reads %s', (_, text, unit, first) => {
  const r = readPressureLog(text);
  expect(r.unit).toBe(unit);
  expect(r.p[0]).toBeCloseTo(first, 6);
  expect(r.t[0]).toBe(0);
  expect(r.t).toHaveLength(30);
});

it.each(['bar', 'psi', 'mmHg', 'inH2O', 'Torr'])('the unit %s is refused by its name, not guessed by size', (unit) => {
  const text = `time s,pressure (${unit})\n${Array.from({ length: 10 }, (_, t) => `${t},${1 - t / 100}`).join('\n')}`;
  expect(() => readPressureLog(text)).toThrow(`log, line 1: the unit ${unit} is not read`);
});

it('a column of temperatures comes along, in either unit; one that is none is named', () => {
  const rows = (f: (t: number) => string) => Array.from({ length: 10 }, (_, t) => f(t)).join('\n');
  expect(readPressureLog(`time s;p Pa;temp °C\n${rows((t) => `${t};${900 - t};${40 - t},5`)}`).gasC![3]).toBeCloseTo(
    37.5,
  );
  expect(readPressureLog(`t,Pa,gas temperature °F\n${rows((t) => `${t},${900 - t},104`)}`).gasC![0]).toBeCloseTo(40);
  expect(readPressureLog(`t,Pa\n${rows((t) => `${t},${900 - t}`)}`).gasC).toBeNull();
  expect(() => readPressureLog(`t,Pa,temp\n${rows((t) => `${t},${900 - t},${t === 4 ? 'warm' : 30}`)}`)).toThrow(
    'log, line 6: "warm" is no temperature',
  );
  expect(() => readPressureLog(`t,Pa,temp\n${rows((t) => `${t},${900 - t},300`)}`)).toThrow(/line 2: 300 °C, allowed/);
});

it('absolute readings of a barometer are known by their size, and pressure may stand before time', () => {
  const r = readPressureLog(`baro hPa,time s\n${lines((t) => `${1008 + t / 100},${t / 5}`, 60)}`);
  expect(r).toMatchObject({ unit: 'hPa', absolute: true });
  expect(r.p[0]).toBeCloseTo(100_800, 6);
  expect(r.t[1]).toBeCloseTo(0.2, 9);
});

it('a long log is thinned evenly', () => {
  expect(readPressureLog(`t,Pa\n${lines((t) => `${t},${100 + (t % 7)}`, 6000)}`).t).toHaveLength(1500);
});

it.each([
  ['too short', 't,Pa\n0,1\n1,2', 'log: 2 lines with numbers, needed are at least 5'],
  ['one column', lines((t) => `${t}`), 'log, line 1: one column'],
  [
    'a word among numbers',
    `t,Pa\n${lines((t) => (t === 7 ? '7,door' : `${t},5`))}`,
    'log, line 9: "door" is no pressure',
  ],
  [
    'time that goes back',
    `t,Pa\n${lines((t) => `${t === 9 ? 3 : t},5`)}`,
    'log, line 11: the time does not go on, 3 after 8',
  ],
  ['a gap', `t,Pa\n${lines((t) => `${t > 15 ? t + 400 : t},5`)}`, 'log, line 18: nothing for 401 s'],
  ['a wrong unit', `t,kPa\n${lines((t) => `${t},${500 - t}`)}`, 'is the unit right?'],
])('names %s', (_, text, message) => {
  expect(() => readPressureLog(text)).toThrow(LogError);
  expect(() => readPressureLog(text)).toThrow(message);
});
