import type { Heater } from '@/core/heat/heater';

export interface HeaterWords {
  /** "On the plate", "Air on" */
  on: string;
  off: string;
  /** "Plate", "Mat", "Air" */
  name: string;
  /** "Back on the plate", "Air on again" */
  again: string;
  /** "on the plate", "of hot air": after a time */
  of: string;
}

/** How people at the bench say that a heater starts and ends. */
export function heaterWords(h: Pick<Heater, 'kind'>): HeaterWords {
  if (h.kind === 'mat')
    return { on: 'On the mat', off: 'Off the mat', name: 'Mat', again: 'Back on the mat', of: 'on the mat' };
  if (h.kind === 'air') return { on: 'Air on', off: 'Air off', name: 'Air', again: 'Air on again', of: 'of hot air' };
  return { on: 'On the plate', off: 'Off the plate', name: 'Plate', again: 'Back on the plate', of: 'on the plate' };
}
