import type { Heater } from '@/core/heat/heater';
import { t } from '@/words/common';

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
    get on() {
      return t('onThePlate');
    },
    get off() {
      return t('offThePlate');
    },
    get name() {
      return t('plate');
    },
    get again() {
      return t('backOnThePlate');
    },
    get of() {
      return t('onThePlate2');
    },
    end: (label) => t('takeOffThePlate', { label }),
  },
  mat: {
    get on() {
      return t('onTheMat');
    },
    get off() {
      return t('offTheMat');
    },
    get name() {
      return t('mat');
    },
    get again() {
      return t('backOnTheMat');
    },
    get of() {
      return t('onTheMat2');
    },
    end: (label) => t('takeOffTheMat', { label }),
  },
  air: {
    get on() {
      return t('airOn');
    },
    get off() {
      return t('airOff');
    },
    get name() {
      return t('air');
    },
    get again() {
      return t('airOnAgain');
    },
    get of() {
      return t('ofHotAir');
    },
    end: (label) => t('airOff2', { label }),
  },
  lamp: {
    get on() {
      return t('lampOn');
    },
    get off() {
      return t('lampOff');
    },
    get name() {
      return t('lamp');
    },
    get again() {
      return t('lampOnAgain');
    },
    get of() {
      return t('underTheLamp');
    },
    end: (label) => t('lampOff2', { label }),
  },
};

/** How people at the bench say that a heater starts and ends. */
export const heaterWords = (h: Pick<Heater, 'kind'>): HeaterWords => words[h.kind];
