import type { Settings } from '@/model/settings';

/** The last ones are kept: who was away months ago plans nothing any more. */
const most = 200;

/** The list of who is away when. */
export const absencesKept = (list: Settings['absences']): Settings['absences'] => list.slice(-most);

/** A person is away from now on, minutes. */
export const absentFor = (
  settings: Pick<Settings, 'absences' | 'person'>,
  id: string,
  at: number,
  minutes: number,
): Settings['absences'] =>
  absencesKept([
    ...settings.absences,
    { id: id.slice(0, 12), person: settings.person, fromAt: at, toAt: at + minutes * 60e3 },
  ]);
