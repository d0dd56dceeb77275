import { coverKindOf } from '@/core/device/coverKinds';
import type { HardReason } from '@/core/intake/difficulty';
import type { Settings } from '@/model/settings';
import { capital } from './capital';
import { constructionNames } from './eventLine';
import { t } from './intake';
import { told } from './told';
import { length } from './units';

type Units = Pick<Settings, 'temperature' | 'length'>;

/** Why a job is hard, as a bench would say it. */
export function hardText(r: HardReason, u: Units): string {
  switch (r.why) {
    case 'construction':
      return coverKindOf(r).heldAllOver ? t('glueOverTheWholeBackIt') : capital(constructionNames[r.construction]);
    case 'pieces':
      return r.noFreeEdge
        ? t('piecesOfThemAtACamera', { count: r.count, atCamera: r.atCamera, noFreeEdge: r.noFreeEdge })
        : t('piecesOfThemAtACamera2', { count: r.count, atCamera: r.atCamera });
    case 'partsToMove':
      return r.count === 1
        ? t('pieceHasToMoveToThe', { count: r.count })
        : t('piecesHaveToMoveToThe', { count: r.count });
    case 'shortCable':
      return t('isTautAtUnplugItBefore', { name: capital(told(r.name)), maxDeg: Math.round(r.maxDeg) });
    case 'saveChipped':
      return t('youWantToSaveABack');
    case 'bent':
      return r.maxGapMm === null
        ? t('theFrameIsBentMeasureThe')
        : t('theFrameIsBentUpTo', { maxGapMm: length(r.maxGapMm, u, 2) });
    case 'twoLeaves':
      return t('twoHalvesAndAHingeSupport');
    case 'largeGlass':
      return t('aRingOfCoolsFasterThan', { perimeterMm: length(r.perimeterMm, u, 0) });
    case 'internalsOut':
      return t('theInsideComesOutAndGoes');
  }
}
