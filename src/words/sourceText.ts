import { own } from '@/core/bare';
import type { Sourced, SourceKind } from '@/core/source';
import { t } from './kit';
import type { Language } from '@/model/settings';
import { told } from './told';

/** What figures are called and where they come from, in a language that is not the one of the code. */
export interface FigureWords {
  /** by the English note */
  notes: Readonly<Record<string, string>>;
  /** by the part of a name as it stands in the code */
  parts: Readonly<Record<string, string>>;
}

/** Fetched when somebody asks why: a call shows a few of them, the index of Shop all. */
export const figureWordsOf: Record<Exclude<Language, 'en'>, () => Promise<FigureWords>> = {
  es: () => import('./es/figures'),
};

export const kindName = (kind: SourceKind): string =>
  ({
    published: t('published'),
    commonPractice: t('commonPractice'),
    memory: t('fromMemory'),
    judgement: t('judgement'),
    tuned: t('tuned'),
    calibrated: t('calibratedOnThisBench'),
    measured: t('measuredOnThisBench'),
  })[kind];

/**
 * The note of a figure, in the words of who reads it. What a shop's own value says of itself is the shop's and stays; where a note
 * begins with the figure's place in a table, the label beside it says that already.
 */
export function noteText(note: string, said: FigureWords | null): string {
  const shops = /^(.*); this shop: (.*) \(shipped (-?\d[\d.e+-]*)\)$/s.exec(note);
  if (shops) return t('noteWithOwn', { note: noteText(shops[1]!, said), typed: shops[2]!, shipped: Number(shops[3]) });
  const short = /: ((?:shop figure|no log of its own yet), .*)$/.exec(note)?.[1] ?? note;
  return (said && own(said.notes, short)) ?? told(short);
}

/** Where a figure comes from, in a line: "judgement: a small workshop". */
export function sourceText({ source: { kind, note } }: Sourced, said: FigureWords | null): string {
  const name = kindName(kind);
  const text = noteText(note, said);
  return text.startsWith(`${name} `) ? text : `${name}: ${text}`;
}
