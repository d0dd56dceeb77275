import { spawnSync } from 'node:child_process';

import { eyeFigureKey } from '@/core/fit/learnEye';
import { figureKey } from '@/core/source';
import figures from './figures.json';
import { figureSearch, figureTitle, kindNames } from '@/work/findFigures';

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
    expect(Object.keys(kindNames)).toContain(f.kind);
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
  ['adhesives.foamRing.debond.tgC', 'Foam ring, debond, tg', '°C'],
  ['visitorFigures.comesFromS', 'Visitor, comes from', 's'],
  ['coverStrengths.plastic.surfaceC.caution', 'Plastic, surface, caution', '°C'],
  ['materials.glass.kzWmK', 'Materials, glass, kz', 'W/(m K)'],
  ['coverStrengths.ceramic.kIcMPaSqrtM', 'Cover strengths, ceramic, k ic', 'MPa √m'],
  ['bentLimits.compressMin', 'Bent limits, compress min', ''],
  ['beadFigures.handMmS', 'Bead, hand', 'mm/s'],
  ['lastingShare', 'Lasting share', ''],
])('%s is read as "%s" in %s', (name, title, unit) => expect(figureTitle(name)).toEqual({ title, unit }));

it('no name of a figure is read as nothing', () => {
  for (const f of figures) expect(figureTitle(f.name).title).toMatch(/[a-z]/);
});
