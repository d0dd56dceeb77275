import type { ScrewFinding, ScrewSpec } from '@/core/strip/screws';
import type { TransferItem } from '@/core/strip/transfer';
import { headNames } from '@/words/headNames';
import type { Settings } from '@/model/settings';
import { length } from '@/words/units';
import { t } from '@/words/strip';
import { told } from '@/words/told';

type Units = Pick<Settings, 'temperature' | 'length'>;

export const specText = (s: ScrewSpec, units: Units) =>
  `${s.colour ? `${told(s.colour)} ` : ''}${headNames[s.head]}, ${length(s.diaMm, units)} × ${length(s.lengthMm, units)}`;

/** A finding in the words of the bench, and what to do. */
export function findingText(f: ScrewFinding, units: Units, under: string | null = null): string {
  switch (f.type) {
    case 'missing':
      return t('cameOutAndIsNotBack', { hole: f.hole });
    case 'missingAtIntake':
      return t('wasMissingWhenItWasOpened', { hole: f.hole });
    case 'added':
      return t('wasMissingHasOneNow', { hole: f.hole });
    case 'extra':
      return t('aScrewInAHoleThat', { hole: f.hole });
    case 'duplicate':
      return t('putInTwice', { hole: f.hole });
    case 'swapped':
      return t('andEachHasTheOthersScrew', { hole: f.hole, with: f.with });
    case 'wrongSpec':
      return t('notTheScrewThatCameOut', { hole: f.hole });
    case 'pierce':
      return under
        ? t('tooLongItPiercesWhatLies', { hole: f.hole, overMm: length(f.overMm, units, 2), under })
        : t('tooLongItPiercesWhatLies2', { hole: f.hole, overMm: length(f.overMm, units, 2) });
    case 'tight':
      return t('onlyOfRoomUnderIt', { hole: f.hole, roomMm: length(f.roomMm, units, 2) });
    case 'weak':
      return t('onlyOfThreadHolds', { hole: f.hole, engageMm: length(f.engageMm, units, 2) });
    case 'mixedCell':
      return t('boxTwoKindsOfScrewsLie', { cell: f.cell });
  }
}

export const moveHints: Partial<Record<TransferItem['kind'], string>> = {
  get motor() {
    return t('withItsGlueOrItRattles');
  },
  get magnet() {
    return t('sameSideUpAMissingOr');
  },
  get mesh() {
    return t('newGlueSideDownNothingOver');
  },
  get gasket() {
    return t('newNoOldGlueUnderIt');
  },
  get antenna() {
    return t('noteHowTheCablesCrossBefore');
  },
  get insulation() {
    return t('newTapeOverTheSamePlaces');
  },
  get paste() {
    return t('oldOffARiceGrainOf');
  },
  get spreader() {
    return t('flatOverTheSameChips');
  },
  get film() {
    return t('peelItBeforeAnythingLiesOn');
  },
  get earpiece() {
    return t('contactsClean');
  },
  get button() {
    return t('bracketFirstPressEachButton');
  },
  part: '',
};
