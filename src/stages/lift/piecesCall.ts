import type { PieceStep } from '@/core/lift/cracks/liftOrder';
import type { Piece } from '@/core/lift/cracks/pieces';
import type { WedgeVerdict } from '@/core/lift/verdict';
import type { Settings } from '@/model/settings';
import { pieceReasons } from '@/bench-kit/crackMap';
import { area, length, spoken, temp } from '@/words/units';
import type { CallText } from './liftCall';
import { t } from '@/words/lift';

export interface PiecesCallInput {
  /** null: pieces are not there yet */
  left: number | null;
  offCount: number;
  step: PieceStep | null;
  piece: Piece | null;
  glassLeft: number;
  swollen: boolean;
  onHeat: boolean;
  everHeated: boolean;
  batteryHighC: number | null;
  stopC: number;
  /** low bound at the piece, °C */
  lowC: number;
  wedge: Pick<WedgeVerdict, 'verdict' | 'goC'>;
  targetC: number | null;
  workC: number | null;
  /** seconds of work left of a recorded spot heat; null: none runs */
  workLeftS: number | null;
  leverMm: number | null;
  breakLines: boolean;
  units: Pick<Settings, 'temperature' | 'length'>;
}

/** Which way a blade goes in, as somebody sees it who looks at the face. */
export function fromSide([x, y]: readonly [number, number]): string {
  const a = (Math.atan2(y, x) * 180) / Math.PI;
  if (a > -45 && a <= 45) return t('fromTheLeft');
  if (a > 45 && a <= 135) return t('fromAbove');
  if (a > -135 && a <= -45) return t('fromBelow');
  return t('fromTheRight');
}

/** The piece now, how it is worked, or what has to come first. */
export function piecesCall(i: PiecesCallInput): CallText {
  const { units, step, piece } = i;
  if (i.swollen)
    return {
      sentence: t('stopTheBatteryIsSwollen'),
      reason: t('noHeatAndNoPryingOver'),
      tone: 'caution',
    };
  if (i.left === null) return { sentence: t('readingTheCracks'), reason: t('workingOutPiecesAndOrder'), tone: 'ink' };
  if (i.left === 0)
    return {
      sentence: i.glassLeft ? t('allPiecesAreOffWithGlass', { glassLeft: i.glassLeft }) : t('allGlassIsOff'),
      reason: i.glassLeft ? t('pickItOutWithTweezersWhile') : t('faceDownTapShardsFallOut'),
      tone: 'ink',
    };
  if (!step || !piece || (i.left === 1 && i.offCount === 0))
    return {
      sentence: t('noCrackFreesAPiece'),
      reason: t('drawHowItIsCrackedLift'),
      tone: 'caution',
    };
  if (i.batteryHighC !== null && i.batteryHighC >= i.stopC)
    return {
      sentence: t('handsOffLetTheBatteryCool'),
      reason: t('itMayBeAtLimit', { batteryHighC: temp(i.batteryHighC, units), stopC: temp(i.stopC, units) }),
      tone: 'caution',
    };
  if (i.onHeat)
    return {
      sentence: t('theHeatIsOn'),
      reason: t('takeItOffFirstTheClock'),
      tone: 'ink',
    };
  const how = step.entry
    ? step.entry.depthMm < 1
      ? step.entry.stoppedBy
        ? t('bladeHardlyInBehind', { into: fromSide(step.entry.into), stoppedBy: step.entry.stoppedBy })
        : t('bladeHardlyIn', { into: fromSide(step.entry.into) })
      : step.entry.stoppedBy
        ? t('bladeUpToInBehind', {
            into: fromSide(step.entry.into),
            depthMm: length(step.entry.depthMm, units, 0),
            stoppedBy: step.entry.stoppedBy,
          })
        : t('bladeUpToIn', { into: fromSide(step.entry.into), depthMm: length(step.entry.depthMm, units, 0) })
    : t('noFreeEdgeBreakItLoose');
  const soft = i.workLeftS !== null ? i.workLeftS > 0 : ['go', 'slow'].includes(i.wedge.verdict);
  if (!soft)
    return {
      sentence: i.everHeated
        ? i.targetC === null
          ? t('piece1GripsAgainHeatMore')
          : t('piece1GripsAgainHeatIt', { targetC: temp(i.targetC, units) })
        : t('heatPiece1To', { targetC: i.targetC === null ? t('noTemperature') : temp(i.targetC, units) }),
      reason: t('nowTheBladeWorksFromNever', {
        lowC: temp(i.lowC, units),
        workC: i.workC === null ? t('noTemperature') : temp(i.workC, units),
        step: pieceReasons(step, units),
      }),
      tone: i.everHeated ? 'caution' : 'ink',
    };
  return {
    sentence:
      i.workLeftS !== null
        ? t('piece1Left', { areaMm2: area(piece.areaMm2, units), workLeftS: spoken(i.workLeftS) })
        : t('piece1Now', { areaMm2: area(piece.areaMm2, units) }),
    reason: i.breakLines
      ? t('breakItFirstAlongTheDashed', { how, step: pieceReasons(step, units) })
      : i.leverMm === null
        ? t('whyThisOne', { how, step: pieceReasons(step, units) })
        : t('leverItsEdgeUpByAt', {
            how,
            leverMm: length(i.leverMm, units, i.leverMm < 0.1 ? 2 : 1),
            step: pieceReasons(step, units),
          }),
    tone: 'ink',
  };
}
