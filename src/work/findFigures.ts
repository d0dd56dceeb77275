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

export const kindNames = {
  judgement: 'Judgement',
  commonPractice: 'Common practice',
  published: 'Published',
  memory: 'From memory',
  tuned: 'Tuned',
} as const;

export type FigureKind = keyof typeof kindNames;

/** "core/lift/depth.ts" as "lift, depth". */
export const placeName = (file: string): string =>
  file
    .replace(/\.ts$/, '')
    .split('/')
    .slice(1)
    .map((w) => w.replace(/([a-z])([A-Z])/g, '$1 $2').toLowerCase())
    .join(', ');

/** "readyInS" as "ready in s", so that words are found that stand together in a name. */
export const words = (text: string) => text.replace(/([a-z0-9])([A-Z])/g, '$1 $2').toLowerCase();

const textOf = (f: Figure) => `${words(f.name)} ${f.name} ${placeName(f.file)} ${f.note}`;

/** Finds figures by words of their name, place or note. */
export const figureSearch = (all: readonly Figure[]) => {
  const search = textSearch(all, textOf);
  return (kind: string, typed: string) => search(typed).filter((f) => kind === 'all' || f.kind === kind);
};
