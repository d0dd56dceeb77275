import { told } from './told';
import { digits as inDigits, listed, stamp } from './units';
import type { BondingMethodId } from '@/core/bond/bondingMethods';

import type { Construction } from '@/core/device/types';
import type { Origin, Work } from '@/core/intake/works';
import type { EventOf, JobEvent, KnownEvent } from '@/model/event';
import type { StageId } from '@/model/stageIds';
import type { ComeBackCause } from '@/model/entries/check';
import { taskName, stageName } from './stageWords';
import { said } from './codes';
import { t as tr } from './happened';
import { happeningName, screwPlaceName } from './happenedNames';
import { eyeWords } from './eyeWords';
import { edgeName } from './placeNames';
import { learnedText } from './learnedNames';
import { t } from './log';
import { functionName } from './functions';

const instant = stamp;

export interface LineUnits {
  mm: (mm: number, digits: number) => string;
  c: (c: number) => string;
}
const asStored: LineUnits = { mm: (v, d) => `${inDigits(v, d)} mm`, c: (v) => `${v} °C` };

export const findingNames: Record<EventOf<'finding'>['kind'], string> = {
  get chip() {
    return t('chips');
  },
  get crack() {
    return t('cracks');
  },
  get bent() {
    return t('bentFrame');
  },
  get cellSwollen() {
    return t('swollenBattery');
  },
  get smokeOrWet() {
    return t('smokeOrWetness');
  },
  get paintGone() {
    return t('paintGone');
  },
  get looseLayer() {
    return t('loosePrintedLayer');
  },
  get screwMissing() {
    return t('screwsMissing');
  },
  get earlierRepair() {
    return t('earlierRepair');
  },
};

/** What a come-back is put down to. */
export const comeBackNames: Record<ComeBackCause, string> = {
  get bondLifted() {
    return t('theGlueLetGo');
  },
  get trappedCrumb() {
    return t('crumbTrappedUnderTheGlass');
  },
  get bentFrame() {
    return t('frameBent');
  },
  get glassStress() {
    return t('glassCrackedAgainWithoutAFall');
  },
  get newFall() {
    return t('fellAgain');
  },
  get function() {
    return t('aFunctionFailed');
  },
  get lensDust() {
    return t('dustOrHazeUnderTheLens');
  },
  get other() {
    return t('somethingElse');
  },
};

/** Ways of bonding, as they are called everywhere. */
export const constructionNames: Record<Construction, string> = {
  get ringGlass() {
    return t('glassOnARing');
  },
  get ringPlastic() {
    return t('plasticOnARing');
  },
  get fullGlass() {
    return t('glassGluedAllOver');
  },
  get clipped() {
    return t('backOnClips');
  },
  get lensInRing() {
    return t('lensCoverInARing');
  },
  get frameLens() {
    return t('lensGlassInAFrame');
  },
};

export const bondingMethodNames: Record<BondingMethodId, string> = {
  get precutRing() {
    return t('newPreCutRing');
  },
  get cutTape() {
    return t('tapeCutInStrips');
  },
  get liquidBead() {
    return t('liquidBead');
  },
  get reuseTopup() {
    return t('oldRingToppedUp');
  },
  get fullFill() {
    return t('glueAllOver');
  },
  get preGlued() {
    return t('adhesiveOnThePart');
  },
  get reuseRing() {
    return t('oldRingAsItIs');
  },
  get tapeAndBead() {
    return t('tapeAndBead');
  },
};

const prepNames: Record<EventOf<'prep'>['item'], string> = {
  get powerOff() {
    return t('powerOff');
  },
  get trayOut() {
    return t('cardTrayOut');
  },
  get outerScrews() {
    return t('outerScrewsOut');
  },
  get insideCovered() {
    return t('insideCovered');
  },
  get paid() {
    return t('paidFor');
  },
  get outerBack() {
    return t('outerScrewsBack');
  },
  get boundMarked() {
    return t('boundPartsMarked');
  },
  get toolsReady() {
    return t('toolsAtHand');
  },
  get crumbsGone() {
    return t('noCrumbs');
  },
  get lensesBlown() {
    return t('lensesBlownOff');
  },
  get glanced() {
    return t('lookedOverAtAGlancingAngle');
  },
  get strapOn() {
    return t('wristStrapOn');
  },
  get closedTest() {
    return t('testedBeforeClosing');
  },
  get batteryOffAgain() {
    return t('batteryUnpluggedAgain');
  },
  get tagDevice() {
    return t('tagOnTheDevice');
  },
  get tagTray() {
    return t('tagOnTheTray');
  },
  get compared() {
    return t('oldAndNewCompared');
  },
  get blownClosing() {
    return t('lensesBlownOffBeforeClosing');
  },
  get photoClosing() {
    return t('photoBeforeClosing');
  },
  get pressedRound() {
    return t('pressedAllRound');
  },
  get squeezeWiped() {
    return t('squeezedOutGlueWipedOff');
  },
  get squeezePeeled() {
    return t('squeezedOutGluePeeledOff');
  },
  get lookedAlong() {
    return t('lookedAlongTheSurface');
  },
  get oldRingWhole() {
    return t('oldRingWhole');
  },
  get sealWanted() {
    return t('airTestWanted');
  },
  get faultsTold() {
    return t('toldAboutFaultsNobodyCanExplain');
  },
};

export const workNames: Record<Work, string> = {
  get openClose() {
    return t('openAndCloseAgain');
  },
  get glassOnly() {
    return t('glassOnly');
  },
  get rearAssembly() {
    return t('rearAssembly');
  },
  get wholeHousing() {
    return t('wholeHousing');
  },
  get lensCovers() {
    return t('lensCovers');
  },
  get displayWithFrame() {
    return t('screenWithItsFrame');
  },
  get displayAlone() {
    return t('screenAlone');
  },
  get inside() {
    return t('batteryOrInnerPart');
  },
};

export const originNames: Record<Origin, string> = {
  get genuine() {
    return t('newGenuine');
  },
  get pulled() {
    return t('usedFromAnotherDevice');
  },
  get aftermarket() {
    return t('aftermarket');
  },
};

/** One line for each kind of entry; what it is called at the bench. A kind without one does not compile. */
const lines: { [T in KnownEvent['type']]: (e: EventOf<T>, units: LineUnits) => string } = {
  opened: (e) => t('jobOpenedVersion', { name: e.device.name, version: e.device.version }),
  stage: (e) => `${stageName(e.stage)} ${said(e.to)}`,
  finding: (e) =>
    e.edges?.length
      ? e.note
        ? t('found', {
            kind: findingNames[e.kind],
            answer: said(e.answer),
            list: e.edges.map(said).join(', '),
            note: e.note,
          })
        : t('found2', { kind: findingNames[e.kind], answer: said(e.answer), list: e.edges.map(said).join(', ') })
      : e.note
        ? t('found3', { kind: findingNames[e.kind], answer: said(e.answer), note: e.note })
        : t('found4', { kind: findingNames[e.kind], answer: said(e.answer) }),
  crack: (e) => t('crackDrawnPoints', { count: e.pts.length }),
  crackGone: () => t('crackRubbedOut'),
  chipMark: (e, units) =>
    t('chipAtFromTheLeftFrom', { place: units.mm(e.place[0], 0), place2: units.mm(e.place[1], 0) }),
  chipGone: () => t('chipRubbedOut'),
  photo: (e) =>
    e.caption
      ? t('photo', { widthPx: e.widthPx, heightPx: e.heightPx, caption: e.caption })
      : t('photo2', { widthPx: e.widthPx, heightPx: e.heightPx }),
  photoGone: () => t('photoRemovedForGood'),
  customer: (e) =>
    e.note
      ? t('customerBackupLock', {
          backup: said(e.backup ?? 'notAsked'),
          lock: said(e.lock ?? 'notAsked'),
          note: e.note,
        })
      : t('customerBackupLock2', { backup: said(e.backup ?? 'notAsked'), lock: said(e.lock ?? 'notAsked') }),
  holdTest: (e) =>
    t('airTestToPaInS', {
      phase: said(e.phase),
      kind: said(e.kind),
      startPa: e.startPa,
      endPa: e.endPa,
      seconds: e.seconds,
    }),
  sealLog: (e) =>
    e.test === 'hold'
      ? t('airTestLogReadings', { phase: said(e.phase), n: e.t.length })
      : t('pressLogReadings', { phase: said(e.phase), n: e.t.length }),
  jobRoute: (e) =>
    e.origin
      ? e.internalsOut
        ? t('routePartThroughTheInsideOut', {
            work: workNames[e.work],
            origin: originNames[e.origin],
            through: said(e.through),
          })
        : t('routePartThroughThe', { work: workNames[e.work], origin: originNames[e.origin], through: said(e.through) })
      : e.internalsOut
        ? t('routeThroughTheInsideOut', { work: workNames[e.work], through: said(e.through) })
        : t('routeThroughThe', { work: workNames[e.work], through: said(e.through) }),
  partMeasured: (e, units) =>
    t('oldNew', {
      what: { width: 'width', height: 'height', thickness: 'thickness', lensHole: t('cameraHole') }[e.what],
      oldMm: units.mm(e.oldMm, 2),
      newMm: units.mm(e.newMm, 2),
    }),
  partChecked: (e) => (e.right ? t('newPartIsRight') : t('newPartIsWrong')),
  partState: (e) =>
    `${told(e.partId)}: ${{ in: t('in'), out: t('out'), moved: t('movedOver'), onNew: t('isOnTheNewPart'), missing: t('missing') }[e.to]}`,
  quoted: (e) =>
    t('quotedAt', {
      name: e.choices.find((c) => c.id === e.chosenId)?.name ?? e.chosenId,
      figure: inDigits((e.choices.find((c) => c.id === e.chosenId)?.grossMinor ?? 0) / 100, 2),
      currency: e.currency,
    }),
  charge: (e) => t('batteryAt', { percent: e.percent }),
  route: (e) => (e.keepCover ? t('saveTheOldBack') : t('newBackGlass')),
  promise: (e) => (e.promiseAt === null ? t('promiseTakenBack') : t('promised', { promiseAt: instant(e.promiseAt) })),
  prep: (e) => (e.done ? prepNames[e.item] : t('no', { item: prepNames[e.item] })),
  function: (e) => `${functionName(e.fn)}, ${said(e.phase)}: ${said(e.result)}`,
  cause: (e) =>
    e.found
      ? e.note
        ? t('causeItWasThat', { causeId: e.causeId, note: e.note })
        : t('causeItWasThat2', { causeId: e.causeId })
      : e.note
        ? t('causeNotThat', { causeId: e.causeId, note: e.note })
        : t('causeNotThat2', { causeId: e.causeId }),
  registered: (e) =>
    `${e.part}: ${{ registered: t('registered'), notNeeded: t('needsNoRegistering'), refused: t('registeringRefusedByTheDevice'), notPossible: t('cannotBeRegisteredHere') }[e.outcome]}${e.note ? `, ${e.note}` : ''}`,
  comeBack: (e) =>
    e.note
      ? t('comeBackOf', {
          firstLabel: e.firstLabel || t('aJobThatIsNotHere'),
          presumed: comeBackNames[e.presumed],
          note: e.note,
        })
      : t('comeBackOf2', { firstLabel: e.firstLabel || t('aJobThatIsNotHere'), presumed: comeBackNames[e.presumed] }),
  cameraShot: (e) =>
    e.edges.length
      ? t('targetThroughEdgesHalfContrastAt', {
          phase: said(e.phase),
          lens: e.lens,
          n: e.edges.length,
          figure: inDigits(e.edges.reduce((s, x) => s + x.mtf50, 0) / e.edges.length, 3),
        })
      : t('targetThroughEdges', { phase: said(e.phase), lens: e.lens, n: e.edges.length }),
  flatShot: (e) =>
    t('evenFieldThroughDarkAndBright', { phase: said(e.phase), lens: e.lens, dark: e.dark, bright: e.bright }),
  coverSeat: (e, units) =>
    t('coverOfGapsSteps', {
      lens: e.lens,
      list: e.gaps.map((v) => units.mm(v, 2)).join(', '),
      list2: e.steps.map((v) => units.mm(v, 2)).join(', '),
    }),
  heatPlan: (e, units) =>
    t('planPick', { heater: said(e.heater ?? 'plate'), setC: units.c(e.setC), pickMm: units.mm(e.pickMm, 1) }),
  heatOn: (e, units) =>
    e.preheated
      ? t('heatOnAt', { heater: said(e.heater ?? 'plate'), setC: units.c(e.setC) })
      : t('heatOnAtFromCold', { heater: said(e.heater ?? 'plate'), setC: units.c(e.setC) }),
  heatOff: (e) => t('heatOff', { reason: said(e.reason) }),
  probe: (e, units) => t('probe', { tempC: units.c(e.tempC), from: said(e.from) }),
  observed: (e, units) =>
    e.liftMm === undefined
      ? e.modelC === undefined
        ? `${{ gaveWay: t('gaveWay'), grips: t('itGrips'), calledAway: t('calledAway'), back: t('backAtTheBench'), broke: t('theBackBroke'), switchedOff: t('theHeaterSwitchedItselfOff'), missedAlarm: t('theAlarmWasMissed'), cellTouched: t('theBatteryWasTouched'), cellSmells: t('theBatterySmells'), cellSwells: t('theBatterySwells') }[e.what]}${e.edge ? ` ${t('atTheEdge', { edge: said(e.edge) })}` : ''}`
        : t('model', {
            what: {
              gaveWay: t('gaveWay'),
              grips: t('itGrips'),
              calledAway: t('calledAway'),
              back: t('backAtTheBench'),
              broke: t('theBackBroke'),
              switchedOff: t('theHeaterSwitchedItselfOff'),
              missedAlarm: t('theAlarmWasMissed'),
              cellTouched: t('theBatteryWasTouched'),
              cellSmells: t('theBatterySmells'),
              cellSwells: t('theBatterySwells'),
            }[e.what],
            part: e.edge ? ` ${t('atTheEdge', { edge: said(e.edge) })}` : '',
            modelC: units.c(e.modelC),
          })
      : e.modelC === undefined
        ? t('at', {
            what: {
              gaveWay: t('gaveWay'),
              grips: t('itGrips'),
              calledAway: t('calledAway'),
              back: t('backAtTheBench'),
              broke: t('theBackBroke'),
              switchedOff: t('theHeaterSwitchedItselfOff'),
              missedAlarm: t('theAlarmWasMissed'),
              cellTouched: t('theBatteryWasTouched'),
              cellSmells: t('theBatterySmells'),
              cellSwells: t('theBatterySwells'),
            }[e.what],
            part: e.edge ? ` ${t('atTheEdge', { edge: said(e.edge) })}` : '',
            liftMm: units.mm(e.liftMm, 2),
          })
        : t('atModel', {
            what: {
              gaveWay: t('gaveWay'),
              grips: t('itGrips'),
              calledAway: t('calledAway'),
              back: t('backAtTheBench'),
              broke: t('theBackBroke'),
              switchedOff: t('theHeaterSwitchedItselfOff'),
              missedAlarm: t('theAlarmWasMissed'),
              cellTouched: t('theBatteryWasTouched'),
              cellSmells: t('theBatterySmells'),
              cellSwells: t('theBatterySwells'),
            }[e.what],
            part: e.edge ? ` ${t('atTheEdge', { edge: said(e.edge) })}` : '',
            liftMm: units.mm(e.liftMm, 2),
            modelC: units.c(e.modelC),
          }),
  edge: (e) => (e.free ? t('edgeFree', { edge: said(e.edge) }) : t('edgeNotFree', { edge: said(e.edge) })),
  cut: (e, units) =>
    e.free
      ? e.tC === undefined
        ? t('ofTheGlueCut', { toMm: units.mm(e.toMm - e.fromMm, 0) })
        : t('ofTheGlueCutAt', { toMm: units.mm(e.toMm - e.fromMm, 0), tC: units.c(Math.round(e.tC)) })
      : e.stuck
        ? e.tC === undefined
          ? t('stuckAgain', { toMm: units.mm(e.toMm - e.fromMm, 0) })
          : t('stuckAgainAt', { toMm: units.mm(e.toMm - e.fromMm, 0), tC: units.c(Math.round(e.tC)) })
        : e.tC === undefined
          ? t('ofTheGlueHoldsAgain', { toMm: units.mm(e.toMm - e.fromMm, 0) })
          : t('ofTheGlueHoldsAgainAt', { toMm: units.mm(e.toMm - e.fromMm, 0), tC: units.c(Math.round(e.tC)) }),
  liftMode: (e) => (e.mode === 'pieces' ? t('liftedPieceByPiece') : t('liftedAlongTheEdges')),
  pieceOff: (e) => t('aPieceIsOffMm', { areaMm2: Math.round(e.areaMm2) }),
  pieceBack: () => t('aPieceIsNotOffAfter'),
  glassLeft: (e, units) =>
    t('glassLeftAtFromTheLeft', { place: units.mm(e.place[0], 0), place2: units.mm(e.place[1], 0) }),
  glassGone: () => t('glassThatWasLeftIsOut'),
  cameraRing: (e) => (e.how === 'leftIn' ? t('cameraRingLeftIn') : t('cameraRingPushedOutFromInside')),
  clip: (e) => t('clip', { index: e.index + 1, state: said(e.state) }),
  writeOff: (e) =>
    e.note
      ? t('backWrittenOff', {
          why: {
            broke: t('itBroke'),
            printLayer: t('thePrintedLayerComesOff'),
            cost: t('savingCostsMoreThanANew'),
            other: t('saidByHand'),
          }[e.why],
          note: e.note,
        })
      : t('backWrittenOff2', {
          why: {
            broke: t('itBroke'),
            printLayer: t('thePrintedLayerComesOff'),
            cost: t('savingCostsMoreThanANew'),
            other: t('saidByHand'),
          }[e.why],
        }),
  alcohol: (e) => (e.use === 'gap' ? t('alcoholMlIntoTheGap', { ml: e.ml }) : t('alcoholMlOnAWipe', { ml: e.ml })),
  alcoholDry: () => t('alcoholHasDriedLookedAt'),
  cleanZone: (e) =>
    e.on === 'cover'
      ? t('backZone', { index: e.index + 1, state: said(e.state) })
      : t('zone', { index: e.index + 1, state: said(e.state) }),
  lens: (e, units) =>
    e.done
      ? e.newMm === undefined
        ? `${e.bondId}: ${e.step}`
        : t('new', { bondId: e.bondId, step: said(e.step), newMm: units.mm(e.newMm, 2) })
      : e.newMm === undefined
        ? t('not', { bondId: e.bondId, step: said(e.step) })
        : t('notNew', { bondId: e.bondId, step: said(e.step), newMm: units.mm(e.newMm, 2) }),
  cleaned: (e) => (e.done ? t('stretchClean', { index: e.index + 1 }) : t('stretchNotClean', { index: e.index + 1 })),
  screw: (e, units) =>
    e.spec
      ? e.cell
        ? t('screwBox', {
            hole: e.hole,
            to: { out: t('out'), missing: t('missing'), in: t('in'), open: t('outAgain'), untouched: t('asItWas') }[
              e.to
            ],
            head: e.spec.head,
            diaMm: e.spec.diaMm,
            lengthMm: units.mm(e.spec.lengthMm, 1),
            cell: e.cell,
          })
        : t('screw', {
            hole: e.hole,
            to: { out: t('out'), missing: t('missing'), in: t('in'), open: t('outAgain'), untouched: t('asItWas') }[
              e.to
            ],
            head: e.spec.head,
            diaMm: e.spec.diaMm,
            lengthMm: units.mm(e.spec.lengthMm, 1),
          })
      : e.cell
        ? t('screwBox2', {
            hole: e.hole,
            to: { out: t('out'), missing: t('missing'), in: t('in'), open: t('outAgain'), untouched: t('asItWas') }[
              e.to
            ],
            cell: e.cell,
          })
        : t('screw2', {
            hole: e.hole,
            to: { out: t('out'), missing: t('missing'), in: t('in'), open: t('outAgain'), untouched: t('asItWas') }[
              e.to
            ],
          }),
  tightened: (e) => (e.done ? t('screwsTight', { zone: e.zone }) : t('screwsNotTight', { zone: e.zone })),
  stripped: (e) => `${e.itemId}: ${e.to === 'asItWas' ? t('asItWas') : e.to}${e.note ? `, ${e.note}` : ''}`,
  under: (e) =>
    e.on ? t('isUnder', { itemId: e.itemId, over: e.over }) : t('isNotUnder', { itemId: e.itemId, over: e.over }),
  stripTarget: (e) => t('toComeOut', { list: e.ids.join(', ') }),
  cellChoice: (e) =>
    e.bent
      ? e.punctured
        ? t('batteryBentPunctured', { part: e.fit === 'new' ? t('aNewOne') : t('theSameAgain') })
        : t('batteryBent', { part: e.fit === 'new' ? t('aNewOne') : t('theSameAgain') })
      : e.punctured
        ? t('batteryPunctured', { part: e.fit === 'new' ? t('aNewOne') : t('theSameAgain') })
        : t('battery', { part: e.fit === 'new' ? t('aNewOne') : t('theSameAgain') }),
  reading: (e, units) =>
    `${{ gapMm: t('gap'), stepMm: t('step'), seatMm: t('seatHeight') }[e.quantity]} ${e.point}: ${units.mm(e.value, 3)} (u ${units.mm(e.u, 3)})`,
  eye(e) {
    const name = { gap: t('gap'), step: t('step'), seat: t('seat'), cover: t('cameraCover') }[e.of];
    const how = eyeWords[e.of];
    if (e.fine) return e.of === 'cover' ? t('byEyeFine', { name, fine: how.fine }) : t('byEyeEvenAllRound', { name });
    return t('byEye', { name, list: e.spots.map((x) => `${x.point} ${how[x.how]}`).join(', ') || t('notEven') });
  },
  bonded: (e, units) =>
    e.usedMm > 0
      ? t('bonded', { adhesive: bondingMethodNames[e.adhesive], usedMm: units.mm(e.usedMm, 0) })
      : t('bonded2', { adhesive: bondingMethodNames[e.adhesive] }),
  bead: (e) => ({ start: t('layingTheBead'), end: t('beadIsLaid'), off: t('beadWipedOff') })[e.phase],
  consumed: (e) => t('reallyUsed', { list: e.items.map((i) => `${i.id} ${i.amount}`).join(', ') }),
  wayChange: (e) => t('wayChanged', { steps: listed(e.steps.map((s) => stageName(s.stage as StageId))), why: e.why }),
  happened: (e) => {
    const more = e.edge ? edgeName(e.edge) : e.where ? screwPlaceName(e.where) : e.partName ? told(e.partName) : '';
    const at = { stage: stageName(e.stage), what: happeningName(e.what) };
    return more ? tr('eventHappenedMore', { ...at, more }) : tr('eventHappened', at);
  },
  learned: (e) => {
    const said = learnedText(e.what, e.text);
    return e.on ? t('learnedNoted', { said }) : t('learnedTakenBack', { said });
  },
  learnedKept: (e) => (e.kept ? t('learnedKept') : t('learnedDropped')),
  customerSaid: (e) =>
    tr(
      (
        {
          agreed: 'eventCustomerAgreed',
          refused: 'eventCustomerRefused',
          notReached: 'eventCustomerNotReached',
        } as const
      )[e.answer],
    ),
  reopened: (e) => t('openedAgain', { why: e.why }),
  cureHeld: (e) => (e.held ? t('heldAfterTheClamps') : t('slippedAfterTheClamps')),
  shelved: (e, units) =>
    e.tC === null ? t('onShelf', { place: e.place }) : t('onShelfAt', { place: e.place, tC: units.c(e.tC) }),
  clampOn: (e) => t('clampsOnN', { count: e.count, forceN: e.forceN }),
  clampOff: (e) => (e.early ? t('clampsOffEarly') : t('clampsOff')),
  ambient: (e, units) =>
    e.rh === undefined
      ? t('room', { tempC: units.c(e.tempC) })
      : t('roomHumidity', { tempC: units.c(e.tempC), rh: e.rh }),
  decision: (e) => {
    const chosen = typeof e.chosen === 'string' ? said(e.chosen) : JSON.stringify(e.chosen);
    return e.because
      ? t('overrideBecause', { call: e.call, chosen, because: said(e.because) })
      : t('call', { call: e.call, chosen });
  },
  work: (e) =>
    e.to === 'begun' ? t('takenUp', { stage: stageName(e.stage) }) : t('laidAside', { stage: stageName(e.stage) }),
  planWish(e) {
    const when = e.wishAt === null ? '' : instant(e.wishAt);
    const kind = {
      notBefore: t('notBefore', { wishAt: when }),
      pinned: t('pinnedAt', { wishAt: when }),
      who: '',
      free: t('freeAgain'),
    }[e.kind];
    const wish = { task: taskName(e.task), kind, part: e.person ? ` ${t('by', { person: e.person })}` : '' };
    if (e.heater)
      return e.because
        ? t('planOnBecause', { ...wish, heater: e.heater, because: said(e.because) })
        : t('planOn', { ...wish, heater: e.heater });
    return e.because ? t('planBecause', { ...wish, because: said(e.because) }) : t('plan', wish);
  },
  partDue: (e) =>
    e.here
      ? e.part
        ? t('partIsHere', { part: e.part })
        : t('partIsHere2')
      : e.part
        ? e.dueAt === null
          ? t('partOnOrder', { part: e.part })
          : t('partOnOrderDue', { part: e.part, dueAt: instant(e.dueAt) })
        : e.dueAt === null
          ? t('partOnOrder2')
          : t('partOnOrderDue2', { dueAt: instant(e.dueAt) }),
  note: (e) => t('note', { text: e.text }),
  signed: (e) => t('signedBy', { mark: e.mark, role: e.role }),
  undo: () => 'undone',
  leaveOut: (e) => t('entryLeftOut', { why: e.why }),
  amend: (e) => t('timeCorrectedTo', { movedTo: instant(e.movedTo) }),
};

/** One line for an entry. @param units how temperatures and lengths are said; as they are stored when it is left out */
export const eventLine = (e: JobEvent, units: LineUnits = asStored): string =>
  e.type === 'unknown'
    ? t('anEntryOfALaterVersion')
    : (lines[e.type] as (e: KnownEvent, units: LineUnits) => string)(e, units);
