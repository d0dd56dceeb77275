import { objectionsText } from './holdWords';
import { bondLimitKPa, beadPressKPa, displayLimitKPa, evennessMin, tapePressKPa } from '@/core/bond/clampPlan';
import { coilLimitKPa } from '@/core/bond/hold';
import { moistureFigures, moistureMarks } from '@/core/cure/laws';
import { beadMarks, diffusion23M2S, solventActivationKJ } from '@/core/cure/solventCure';
import { activationKJ, roomU, tapeMarks } from '@/core/cure/tapeDwell';
import type { Settings } from '@/model/settings';
import type { JobCure } from '@/work/cure/cureJob';
import { rowOf, type WhyRow } from '@/bench-kit/Why';
import { digits, kelvin, length, percent } from '@/words/units';
import { holdText } from './cureCall';
import type { HoldWay } from '@/work/cure/holdWays';
import { t } from '@/words/cure';

export function cureNotes(c: JobCure, ways: readonly HoldWay[], settings: Settings): string[] {
  return [
    ...ways.map((w) => {
      const clips = w.clips;
      return `${holdText(w, settings).sentence}${clips ? ` ${t('evenToKpaOnAverageKpa', { max: percent(Math.max(0, clips.evenness)), meanKPa: Math.round(clips.meanKPa), peakKPa: Math.round(clips.ways[0]!.peakKPa) })}` : ''}${w.against.length ? ` ${t('againstIt', { list: objectionsText(w.against) })}` : ''}`;
    }),
    t('numberAndForceGoTogetherFew2'),
    c.kind === 'tape'
      ? t('theRoomMayBeOffBy', { value: kelvin(roomU.value, settings, 0) })
      : c.kind === 'solvent'
        ? t('glassAndMetalAreTightSolvent', { bondMm: length(c.bondMm, settings, 1), c: edgesSay(c) })
        : t('itCuresFromItsEdgesInward', { bondMm: length(c.bondMm, settings, 1), c: edgesSay(c) }),
  ];
}

const edgesSay = (c: JobCure) =>
  c.edges.seen
    ? t('thisShopsOwnObservationsNarrowThat', {
        seen: c.edges.seen,
        figure: digits(c.edges.low, 1),
        figure2: digits(c.edges.high, 1),
      })
    : t('threeThatHeldNarrowThatFor');

export function cureRows(c: JobCure): WhyRow[] {
  const hold = [
    rowOf(t('pressureItNeeds'), c.kind === 'tape' ? tapePressKPa : beadPressKPa, 'kPa'),
    rowOf(t('leastEvenness'), evennessMin, ''),
    rowOf(t('mostUnderAClip'), bondLimitKPa, 'kPa'),
    rowOf(t('mostOverTheScreen'), displayLimitKPa, 'kPa'),
    rowOf(t('mostOverACoil'), coilLimitKPa, 'kPa'),
  ];
  if (c.kind === 'tape')
    return [
      ...hold,
      rowOf(t('activationEnergy'), activationKJ, 'kJ/mol'),
      rowOf(t('shareForClampsOff'), tapeMarks.clampOff, ''),
      rowOf(t('shareForAnAirTest'), tapeMarks.sealTest, ''),
    ];
  if (c.kind === 'solvent')
    return [
      ...hold,
      rowOf(t('howFastItSpreadsAt23'), diffusion23M2S, 'm²/s'),
      rowOf(t('activationEnergy'), solventActivationKJ, 'kJ/mol'),
      rowOf(t('leftWhenTheClampsComeOff'), beadMarks.clampOff, ''),
      rowOf(t('leftWhenItIsMoved'), beadMarks.handle, ''),
      rowOf(t('leftWhenWorkGoesOn'), beadMarks.build, ''),
      rowOf(t('leftWhenItCountsAsCured'), beadMarks.full, ''),
    ];
  return [
    ...hold,
    rowOf(t('curedFromTheEdgeIn24'), moistureFigures.depthMm24h, 'mm'),
    rowOf(t('activationEnergy'), moistureFigures.activationKJ, 'kJ/mol'),
    rowOf(t('shareForClampsOff'), moistureMarks.clampOff, ''),
    rowOf(t('shareForWorkToGoOn'), moistureMarks.build, ''),
  ];
}
