import { textSearch } from './textSearch';

/** One figure of the index: where it stands, and what is known of it. */
export interface Figure {
  file: string;
  name: string;
  value: number;
  u: number | null;
  kind: string;
  note: string;
}

/** Kinds of sources that the index shows. */
export const figureKinds = ['judgement', 'commonPractice', 'published', 'memory', 'tuned'] as const;

export type FigureKind = (typeof figureKinds)[number];

/** Where a figure stands, by parts: "core/lift/depth.ts" as lift and depth. */
export const placeParts = (file: string): string[] => file.replace(/\.ts$/, '').split('/').slice(1);

/** "readyInS" as "ready in s", so that words are found that stand together in a name. */
export const words = (text: string) => text.replace(/([a-z0-9])([A-Z])/g, '$1 $2').toLowerCase();

/** What the end of a name says of its unit; the longer first. */
const units: readonly (readonly [RegExp, string])[] = [
  [/WmK$/, 'W/(m K)'],
  [/Wm2K$/, 'W/(m² K)'],
  [/JkgK$/, 'J/(kg K)'],
  [/KgM3$/, 'kg/m³'],
  [/Nmm3$/i, 'N/mm³'],
  [/MPaSqrtM$/, 'MPa √m'],
  [/M2s$/, 'm²/s'],
  [/GMl$/, 'g/ml'],
  [/Mm24h$/, 'mm in 24 h'],
  [/MmS$/, 'mm/s'],
  [/Mm2$/, 'mm²'],
  [/Mm$/, 'mm'],
  [/Um$/, 'µm'],
  [/GPa$/, 'GPa'],
  [/MPa$/, 'MPa'],
  [/KPa$/, 'kPa'],
  [/Pa$/, 'Pa'],
  [/Ppm$/, 'ppm'],
  [/Ml$/, 'ml'],
  [/KJ$/, 'kJ/mol'],
  [/Deg$/, '°'],
  [/(?<=[a-z0-9])C$/, '°C'],
  [/(?<=[a-z0-9])K$/, 'K'],
  [/(?<=[a-z0-9])S$/, 's'],
  [/(?<=[a-z0-9])H$/, 'h'],
  [/(?<=[a-z0-9])N$/, 'N'],
];

/** What a figure's name says: its parts as they stand in the code, without the unit, which stands apart. */
export function figureParts(name: string): { parts: string[]; unit: string } {
  let unit = '';
  const parts = name.split('.').slice(-3);
  // a unit stands at the end of the name, or before a last word that says which one of several
  for (let i = parts.length - 1; i >= Math.max(0, parts.length - 2) && !unit; i--) {
    const found = units.find(([end]) => end.test(parts[i]!));
    if (!found) continue;
    unit = found[1];
    parts[i] = parts[i]!.replace(found[0], '');
  }
  return { parts: parts.map((p) => p.replace(/Figures$/, '')).filter((p) => p && p !== 'value'), unit };
}

const textOf = (f: Figure) => `${words(f.name)} ${f.name} ${placeParts(f.file).map(words).join(' ')} ${f.note}`;

/** Finds figures by words of their name, place or note, and by what is `said` of them in the reader's language. */
export const figureSearch = (all: readonly Figure[], said: (f: Figure) => string = () => '') => {
  const search = textSearch(all, (f) => `${textOf(f)} ${said(f)}`);
  return (kind: string, typed: string) => search(typed).filter((f) => kind === 'all' || f.kind === kind);
};
