import { spawnSync } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';

import { eyeFigureKey } from '@/core/fit/learnEye';
import { figureKey } from '@/core/source';
import figures from './figures.json';
import { figureTitle, placeName } from '@/words/figureNames';
import { kindName, noteText, sourceText } from '@/words/sourceText';
import { parts as english } from '@/words/figureParts';
import * as spanish from '@/words/es/figures';
import { figureKinds, figureParts, figureSearch, placeParts } from '@/work/findFigures';

it('the index is what the code says: npm run figures after a change', () => {
  const done = spawnSync(process.execPath, ['--import', 'tsx', 'scripts/write-figures.mts', '--check'], {
    encoding: 'utf8',
  });
  expect([done.stdout.trim(), done.stderr.trim()]).toEqual([`${figures.length} figures`, '']);
  expect(done.status).toBe(0);
  expect(figures.length).toBeGreaterThan(400);
});

it('every figure has a kind that the page names and a note that says where it comes from', () => {
  for (const f of figures) {
    expect(figureKinds).toContain(f.kind);
    expect(f.note.trim().length).toBeGreaterThan(3);
  }
});

it('a shop’s own eye is kept under the row of the index that it stands for', () => {
  for (const kind of ['gap', 'step', 'seat'] as const) {
    const row = figures.find((f) => f.file === 'core/fit/byEye.ts' && f.name === `eyeFigures.${kind}`)!;
    expect(eyeFigureKey[kind]).toBe(figureKey(row.kind, row.value, row.note));
  }
});

it('is searched by words of name, place and note, and by kind', () => {
  const findFigures = figureSearch(figures);
  const soft = findFigures('all', 'foam ring soft c');
  expect(soft.some((f) => f.name === 'adhesives.foamRing.softC' && f.value === 60)).toBe(true);
  expect(findFigures('published', '').every((f) => f.kind === 'published')).toBe(true);
  expect(findFigures('all', 'no such thing anywhere')).toEqual([]);
});

it.each([
  ['adhesives.foamRing.debond.tgC', 'Foam ring, debond, glass transition', '°C'],
  ['visitorFigures.comesFromS', 'Visitor, comes from', 's'],
  ['coverStrengths.plastic.surfaceC.caution', 'Plastic, surface, caution', '°C'],
  ['materials.glass.kzWmK', 'Materials, glass, conductivity through', 'W/(m K)'],
  ['coverStrengths.ceramic.kIcMPaSqrtM', 'Cover strengths, ceramic, fracture toughness', 'MPa √m'],
  ['bentLimits.compressMin', 'Limits of a bent frame, compression, least', ''],
  ['beadFigures.handMmS', 'Bead, hand', 'mm/s'],
  ['lastingShare', 'Lasting share', ''],
])('%s is read as "%s" in %s', (name, title, unit) => expect(figureTitle(name, null)).toEqual({ title, unit }));

it('no name of a figure is read as nothing', () => {
  for (const f of figures) expect(figureTitle(f.name, null).title).toMatch(/[a-z]/);
});

describe('in Spanish', () => {
  const short = (note: string) => /: ((?:shop figure|no log of its own yet), .*)$/.exec(note)?.[1] ?? note;
  const used = new Set(figures.flatMap((f) => [...figureParts(f.name).parts, ...placeParts(f.file)]));

  it('every note and every part of a name is said', () => {
    const notes = figures.map((f) => short(f.note)).filter((n) => !Object.hasOwn(spanish.notes, n));
    expect([...new Set(notes)]).toEqual([]);
    expect([...used].filter((p) => !Object.hasOwn(spanish.parts, p))).toEqual([]);
  });

  it('no part is said that no figure has, in either language', () => {
    for (const parts of [english, spanish.parts]) expect(Object.keys(parts).filter((p) => !used.has(p))).toEqual([]);
  });

  it('no note is said that no code has', () => {
    const code = ['core', 'model', 'work', 'stages', 'places', 'bench-kit']
      .flatMap((d) =>
        readdirSync(path.join('src', d), { recursive: true, encoding: 'utf8' }).map((f) => path.join('src', d, f)),
      )
      .filter((f) => /\.tsx?$/.test(f) && !f.includes('.test.'))
      .map((f) => readFileSync(f, 'utf8'))
      .join('\n');
    const indexed = new Set(figures.map((f) => short(f.note)));
    expect(Object.keys(spanish.notes).filter((n) => !indexed.has(n) && !code.includes(n))).toEqual([]);
  });

  it('numbers stay what they are, with a comma', () => {
    const numbers = (t: string): string[] => (t.replace(/(\d)\.(\d)/g, '$1,$2').match(/\d+(?:,\d+)?/g) ?? []).sort();
    const other = Object.entries(spanish.notes).flatMap(([en, es]) => {
      const there = numbers(en);
      // "about ten minutes" is a word in one and may be digits in the other: only what is digits in both is compared
      return numbers(es).some((n) => !there.includes(n)) || numbers(es).length < there.length ? [[en, es]] : [];
    });
    expect(other).toEqual([]);
  });

  it('a figure is read, with what the shop put in its place', () => {
    expect(figureTitle('adhesives.foamRing.debond.tgC', spanish)).toEqual({
      title: 'Anillo de espuma, despegue, transición vítrea',
      unit: '°C',
    });
    expect(placeName('core/lift/depth.ts', spanish)).toBe('levantar, profundidad');
    expect(noteText('acrylic foam, assumed; this shop: our own tape, 0.5 mm (shipped 120)', null)).toBe(
      'acrylic foam, assumed; this shop: our own tape, 0.5 mm (shipped 120)',
    );
    expect(noteText('ringGlass, hours: shop figure, no source', spanish)).toBe('valor del taller, sin fuente');
    expect(sourceText({ value: 1, source: { kind: 'judgement', note: 'a small workshop; set in Shop' } }, null)).toBe(
      'judgement: a small workshop; set in Shop',
    );
    // a note may come with a file: it is looked up as text, whatever it says
    for (const note of ['constructor', '__proto__', 'x; this shop: y (shipped z)'])
      expect(noteText(note, spanish)).toBe(note);
    expect(kindName('memory')).toBe('from memory');
  });
});
