import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';

import { defaultSettings } from '@/model/defaultSettings';
import { shippedDevices } from '@/model/shippedDevices';
import { es } from './es';
import * as figures from './es/figures';
import { fetchWords, hasWords, language, speak } from './language';
import { told } from './told';
import { t as bench } from './bench';
import { t as heat } from './heat';
import { t as log } from './log';
import { dayTime, digits, length, percent, price } from './units';

const dir = path.join('src', 'words');
const namespaces = readdirSync(path.join(dir, 'en')).map((f) => f.replace(/\.ts$/, ''));
const enOf = (ns: string) =>
  (jest.requireActual(`./en/${ns}`) as { default: Readonly<Record<string, string>> }).default;
const esOf = (ns: string) => (es.words as Readonly<Record<string, Readonly<Record<string, string>>>>)[ns]!;
const holes = (text: string) => [...text.matchAll(/\{\{(\w+)\}\}/g)].map((m) => m[1]!).sort();

const sources = (from: string): string[] =>
  readdirSync(from, { withFileTypes: true }).flatMap((d) => {
    const p = path.join(from, d.name);
    if (d.isDirectory()) return sources(p);
    return /\.tsx?$/.test(d.name) && !/\.test\./.test(d.name) ? [p] : [];
  });

describe('the catalogue', () => {
  it.each(namespaces)('%s: the same keys and the same holes in both languages', (ns) => {
    const [en, other] = [enOf(ns), esOf(ns)];
    expect(Object.keys(other).sort()).toEqual(Object.keys(en).sort());
    for (const [key, text] of Object.entries(en)) {
      expect({ key, holes: [...new Set(holes(other[key]!))] }).toEqual({ key, holes: [...new Set(holes(text))] });
      for (const words of [text, other[key]!]) {
        expect(words).not.toMatch(/^\s*$/);
        expect(words.replaceAll(/\{\{\w+\}\}/g, '')).not.toMatch(/[{}]/);
      }
    }
  });

  it('what is named by hand and said through the table is in it', () => {
    const named = sources('src').flatMap((f) =>
      [...readFileSync(f, 'utf8').matchAll(/\btold\('([^']+)'\)/g)].map((m) => m[1]!),
    );
    expect(named.filter((n) => !Object.hasOwn(es.below, n))).toEqual([]);
  });

  it('no key is unused', () => {
    const files = sources('src').filter((f) => !/words[\\/](en|es)[\\/]/.test(f));
    const code = files.map((f) => readFileSync(f, 'utf8'));
    const called = new Set(code.flatMap((c) => [...c.matchAll(/\b(?:t|tr|log|common)\(\s*'(\w+)'/g)].map((m) => m[1])));
    // what is chosen from a table of keys stands in a file that speaks with its catalogue
    const tabled = (ns: string) =>
      new Set(
        code
          .filter((c) => c.includes(`'@/words/${ns}'`) || c.includes(`'./${ns}'`))
          .flatMap((c) =>
            [...c.matchAll(/\{([^;]*?)\} as const/g)].flatMap((m) =>
              [...m[1]!.matchAll(/'([a-z]\w*)'/g)].map((k) => k[1]),
            ),
          ),
      );
    // stages, codes and functions are asked for by an id
    const byId = new Set(['stages', 'codes', 'functions']);
    const unused = namespaces
      .filter((ns) => !byId.has(ns))
      .flatMap((ns) => {
        const chosen = tabled(ns);
        return Object.keys(enOf(ns))
          .map((k) => k.replace(/_(one|other)$/, ''))
          .filter((k) => !called.has(k) && !chosen.has(k))
          .map((k) => `${ns}.${k}`);
      });
    expect(unused).toEqual([]);
  });

  it('nothing promises that water stays out, in either language', () => {
    const promise =
      /water[ -]?(proof|tight|resist)|sealed against|water (will|can) ?not|ip[ -]?\d\d|splash|submer|impermeable|estanc[oa] al agua|resistente al agua|a prueba de agua|sellad[oa] contra|el agua no (entra|entrará)|sumerg/i;
    // what says that it is not so may name it
    const denied =
      /\bno(t)?\b[^.]*water|promises no water resistance|no promete resistencia al agua|no se promete|ya no debe/i;
    const all = namespaces.flatMap((ns) => [enOf(ns), esOf(ns)]).flatMap((w) => Object.values(w));
    expect(
      [...all, ...Object.values(es.below), ...Object.values(figures.notes)].filter(
        (x) => promise.test(x) && !denied.test(x),
      ),
    ).toEqual([]);
    for (const bad of [
      'IP-68 again',
      'It is sealed against water',
      'water will not get in',
      'El agua no entra',
      'sellado contra el agua',
      'resistente al agua',
      'waterproof',
    ])
      expect(promise.test(bad) && !denied.test(bad)).toBe(true);
  });

  it('words that a bench does not use stay under Why', () => {
    const calls = ['heat', 'lift', 'bench', 'clean', 'dryFit', 'intake'].flatMap((ns) => Object.values(enOf(ns)));
    expect(
      calls.filter((x) =>
        /\bcell\b|bond line|\barcs?\b|stop mark|low bound|high bound|nineteen of twenty|late end/i.test(x),
      ),
    ).toEqual([]);
  });
});

describe('languages', () => {
  beforeAll(() => fetchWords('es'));
  afterEach(() => speak('en'));

  it('switch at once, holes and numbers with them', () => {
    expect(hasWords('es')).toBe(true);
    expect(heat('liftNow')).toBe('Lift now');
    expect(digits(0.25, 2)).toBe('0.25');
    speak('es');
    expect(language()).toBe('es');
    expect(heat('liftNow')).toBe('Levanta ya');
    expect(heat('setTheHigher', { name: 'Hot plate' })).toBe('Sube el ajuste: Placa caliente.');
    // decimal comma, day and month by the platform: Unicode CLDR for es
    expect(digits(0.25, 2)).toBe('0,25');
    expect(length(1.5, { temperature: 'C', length: 'mm' })).toBe('1,5 mm');
    expect(price(1234, '€')).toBe('12,34\u00a0€');
    expect(percent(0.055)).toBe('5,5 %');
    const at = new Date(2026, 3, 14, 13, 2).getTime();
    expect(dayTime(at, at)).toBe('13:02');
    expect(dayTime(at, 0)).toBe('mar 14 abr 13:02');
  });

  it('numbers choose the words: 1 is one, the rest are more', () => {
    expect(heat('lensCovers', { count: 1 })).toBe('1 lens cover');
    expect(heat('lensCovers', { count: 3 })).toBe('3 lens covers');
    speak('es');
    expect(heat('lensCovers', { count: 1 })).toBe('1 cristal de cámara');
  });

  it('what is named below is said too, what somebody typed stays', () => {
    expect(told('battery')).toBe('battery');
    speak('es');
    expect(told('battery')).toBe('batería');
    expect(told('nozzle: 2.5 mm does not work; it takes up to 1.8 mm, the width of the ring')).toBe(
      'boquilla: 2.5 mm no vale; hace falta hasta 1.8 mm, el ancho del anillo',
    );
    for (const typed of ['locker 12', '<b>battery</b>', 'Osk’s phone', '__proto__', 'constructor'])
      expect(told(typed)).toBe(typed);
  });

  it('every part, cable, heater, glue and function that ships has its name in Spanish', () => {
    // the same in both languages, or a name of our own
    const same = /^(hub|flash|tape|antena|NFC|LED|[A-Z]\d*|[^a-z]*)$/i;
    const names = new Set<string>();
    const gather = (x: unknown, key = ''): void => {
      if (typeof x === 'string' && ['name', 'area'].includes(key)) names.add(x);
      else if (Array.isArray(x)) x.forEach((y) => gather(y));
      else if (x && typeof x === 'object') for (const [k, y] of Object.entries(x)) gather(y, k);
    };
    const models = new Set(shippedDevices.map((d) => d.name));
    gather(shippedDevices);
    gather(defaultSettings);
    speak('es');
    const left = [...names].filter((n) => !models.has(n) && !same.test(n) && told(n) === n);
    expect(left).toEqual([]);
  });
});

it('what somebody typed stays as it is in every language, also where it is the name of a part', async () => {
  await fetchWords('es');
  speak('es');
  // somebody is called Coil, and notes "battery"
  expect(bench('isBack', { person: 'coil' })).toContain('coil');
  const noted = log('found3', { kind: 'battery', answer: 'x', note: 'battery' });
  expect(noted).toContain('batería');
  expect(noted).toMatch(/\. battery$/);
  speak('en');
});
