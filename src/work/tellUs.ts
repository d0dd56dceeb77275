import type { JobEvent } from '@/model/event';
import type { Settings } from '@/model/settings';

export interface TellUs {
  version: string;
  storageFormat: number;
  /** page on which it was asked for, without what is behind a question mark */
  page: string;
  browser: string;
  at: string;
  settings: Pick<Settings, 'temperature' | 'length' | 'theme' | 'touch' | 'language'>;
  counts: { jobs: number; entries: number; problems: number; unsaved: number };
  trouble: string | null;
  /** the last entries by kind, stage and instant: no text, no name, no photo */
  last: { type: string; at: string; what: string }[];
}

/** Kinds of things in an entry that say nothing of anybody: codes, never what was typed. */
const codes = [
  'stage',
  'to',
  'kind',
  'answer',
  'item',
  'what',
  'edge',
  'reason',
  'phase',
  'result',
  'fn',
  'work',
] as const;
const codeLike = /^[A-Za-z][A-Za-z0-9]{0,30}$/;

/** An entry as far as it may leave the shop. */
export function withoutNames(e: JobEvent): TellUs['last'][number] {
  const said = codes.flatMap((k) => {
    const v = (e as unknown as Record<string, unknown>)[k];
    return typeof v === 'string' && codeLike.test(v) ? [`${k}=${v}`] : [];
  });
  return { type: e.type, at: new Date(e.at).toISOString(), what: said.join(' ') };
}

const lastEntries = 60;

/** What somebody who keeps the software needs to see, and nothing of the shop's people or customers. */
export function tellUs(
  of: Omit<TellUs, 'last' | 'counts' | 'settings' | 'page'> & {
    page: string;
    settings: Settings;
    logs: readonly (readonly JobEvent[])[];
    problems: number;
    unsaved: number;
  },
): TellUs {
  const { logs, settings, problems, unsaved, page, ...rest } = of;
  const all = logs.flat();
  const { temperature, length, theme, touch, language } = settings;
  return {
    ...rest,
    // a job's id is its own affair: the kind of page is enough
    page: page
      .split('?')[0]!
      .replace(/\/jobs\/[^/]+/, '/jobs/…')
      .replace(/\/shelf\/[^/]+/, '/shelf/…'),
    settings: { temperature, length, theme, touch, language },
    counts: { jobs: logs.length, entries: all.length, problems, unsaved },
    last: [...all]
      .sort((a, b) => a.loggedAt - b.loggedAt)
      .slice(-lastEntries)
      .map(withoutNames),
  };
}
