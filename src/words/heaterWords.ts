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
  /** ends it for one job: "Take J-0141 off the plate" */
  end: (label: string) => string;
}

const words: Record<Heater['kind'], HeaterWords> = {
  plate: {
    on: 'On the plate',
    off: 'Off the plate',
    name: 'Plate',
    again: 'Back on the plate',
    of: 'on the plate',
    end: (label) => `Take ${label} off the plate`,
  },
  mat: {
    on: 'On the mat',
    off: 'Off the mat',
    name: 'Mat',
    again: 'Back on the mat',
    of: 'on the mat',
    end: (label) => `Take ${label} off the mat`,
  },
  air: {
    on: 'Air on',
    off: 'Air off',
    name: 'Air',
    again: 'Air on again',
    of: 'of hot air',
    end: (label) => `Air off ${label}`,
  },
  lamp: {
    on: 'Lamp on',
    off: 'Lamp off',
    name: 'Lamp',
    again: 'Lamp on again',
    of: 'under the lamp',
    end: (label) => `Lamp off ${label}`,
  },
};

/** How people at the bench say that a heater starts and ends. */
export const heaterWords = (h: Pick<Heater, 'kind'>): HeaterWords => words[h.kind];
