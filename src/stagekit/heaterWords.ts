import type { Heater } from '@/core/heat/heater';

export interface HeaterWords {
  /** "On the plate", "Air on" */
  on: string;
  off: string;
  /** "Plate", "Mat", "Air" */
  name: string;
}

/** How people at the bench say that a heater starts and ends. */
export function heaterWords(h: Pick<Heater, 'kind'>): HeaterWords {
  if (h.kind === 'mat') return { on: 'On the mat', off: 'Off the mat', name: 'Mat' };
  if (h.kind === 'air') return { on: 'Air on', off: 'Air off', name: 'Air' };
  return { on: 'On the plate', off: 'Off the plate', name: 'Plate' };
}
