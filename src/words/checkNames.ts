import type { LeakRatio } from '@/core/seal/compare';
import type { SealResult } from '@/core/seal/decay';
import type { PressResult } from '@/core/seal/pressTest';
import type { SuspectSource } from '@/core/seal/suspects';
import { type Flare, type SharpRatio } from '@/core/camera/compare';
import { type FlushAction } from '@/core/fit/flushness';
import { type EventOf } from '@/model/event';
import { t } from '@/words/log';

export const outcomeNames: Record<EventOf<'registered'>['outcome'], string> = {
  get registered() {
    return t('registered2');
  },
  get notNeeded() {
    return t('notNeeded');
  },
  get refused() {
    return t('refusedByTheDevice');
  },
  get notPossible() {
    return t('notPossibleHere');
  },
};

const registerNames: Record<string, string> = {
  get display() {
    return t('registerDisplay');
  },
  get battery() {
    return t('registerBattery');
  },
  get back() {
    return t('registerBack');
  },
  get inner() {
    return t('registerInner');
  },
};

/** A part that the maker may want to know about; one that somebody wrote in stands as it was written. */
export const registerName = (part: string): string => registerNames[part] ?? part;

const notices: Record<string, string> = {
  get display() {
    return t('noticeDisplay');
  },
  get battery() {
    return t('noticeBattery');
  },
  get back() {
    return t('noticeBack');
  },
};

/** What a customer may see where a part was not registered. */
export const noticeOf = (part: string): string => notices[part] ?? t('noticeOther');

/** What a step is called at the bench. */
export const stepNames: Record<string, string> = {
  get heatPlate() {
    return t('heatingOnThePlate');
  },
  get hotAir() {
    return t('hotAir');
  },
  get solventWick() {
    return t('alcoholInTheGap');
  },
  get bladePass() {
    return t('theBladeAlongTheEdge');
  },
  get liftWithFlex() {
    return t('liftingOverACable');
  },
  get battDisconnect() {
    return t('theBatteryPlug');
  },
  get coilRemove() {
    return t('takingOutTheCoil');
  },
  get cameraRemove() {
    return t('takingOutTheCamera');
  },
  get lensCoverSwap() {
    return t('changingTheLensCover');
  },
  get housingSwap() {
    return t('movingEverythingOver');
  },
  get residueScrape() {
    return t('scraping');
  },
  get adhesiveBead() {
    return t('theBead');
  },
  get clamp() {
    return t('clamping');
  },
};

export const actionWords: Record<FlushAction, string> = {
  get clearDebris() {
    return t('liftItAndClearWhatIs');
  },
  get remeasureLow() {
    return t('measureTheLowPointAgainThen');
  },
  get accept() {
    return t('flushAllRound');
  },
  get remeasureFiner() {
    return t('notDecidedMeasureAgainOrWith');
  },
  get twist() {
    return t('twistedCheckTheFrameForA');
  },
  get clampHighEdge() {
    return t('clampTheHighEdgeAgainWhile');
  },
  get standsProud() {
    return t('standsHighAllRoundTooMuch');
  },
  get sitsLow() {
    return t('sitsTooLowUseThickerGlue');
  },
  get reclamp() {
    return t('clampAgainAndMeasureAgain');
  },
};

export const sharpWords: Record<SharpRatio['verdict'], string> = {
  get noLoss() {
    return t('noLossOfSharpnessSeen');
  },
  get someLoss() {
    return t('someSharpnessLost');
  },
  get clearLoss() {
    return t('clearLossOfSharpness');
  },
  get undecided() {
    return t('sharpnessNotDecided');
  },
};

export const flareWords: Record<Flare['verdict'], string> = {
  get added() {
    return t('hazeOrFlareAdded');
  },
  get notSeen() {
    return t('noAddedHazeSeen');
  },
  get undecided() {
    return t('hazeNotDecided');
  },
};

export const suspectWords: Record<SuspectSource['kind'], string> = {
  get bump() {
    return t('aBumpOfTheGlass');
  },
  get step() {
    return t('standsHigh');
  },
  get seat() {
    return t('theSeatIsTooLowFor');
  },
  get press() {
    return t('theBumpFadesWhenYouPress');
  },
};

/** The only words that a result may have; checked by the wording rules. */
export const ratioWords: Record<LeakRatio['verdict'], string> = {
  get noWorse() {
    return t('noWorseThanBefore');
  },
  get leakier() {
    return t('leakierThanBefore');
  },
  get undecided() {
    return t('undecided');
  },
};
export const limitWords: Record<NonNullable<SealResult['verdict']>, string> = {
  get below() {
    return t('belowTheLimitOfTheShop');
  },
  get above() {
    return t('aboveTheLimitOfTheShop');
  },
  get undecided() {
    return t('undecidedAgainstTheLimitOfThe');
  },
};
export const pressWords: Record<PressResult['kind'], string> = {
  get noBump() {
    return t('pressureBumpNotSeen');
  },
  get disturbed() {
    return t('disturbedPressAgain');
  },
  get holds() {
    return t('pressureBumpHeld');
  },
  get decays() {
    return t('pressureBumpFaded');
  },
};
