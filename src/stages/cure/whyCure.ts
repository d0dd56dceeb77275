import { bondLimitKPa, beadPressKPa, displayLimitKPa, evennessMin, tapePressKPa } from '@/core/bond/clampPlan';
import { coilLimitKPa } from '@/core/bond/hold';
import { moistureFigures, moistureMarks } from '@/core/cure/laws';
import { beadMarks, diffusion23M2S, solventActivationKJ } from '@/core/cure/solventCure';
import { activationKJ, roomU, tapeMarks } from '@/core/cure/tapeDwell';
import type { Settings } from '@/model/settings';
import type { JobCure } from '@/work/cure/cureJob';
import { rowOf, type WhyRow } from '@/bench-kit/Why';
import { kelvin, length, percent } from '@/words/units';
import { holdText } from './cureCall';
import type { HoldWay } from '@/work/cure/holdWays';

export function cureNotes(c: JobCure, ways: readonly HoldWay[], settings: Settings): string[] {
  return [
    ...ways.map((w) => {
      const clips = w.clips;
      return `${holdText(w, settings).sentence}${clips ? ` Even to ${percent(Math.max(0, clips.evenness))}, ${Math.round(clips.meanKPa)} kPa mean, ${Math.round(clips.ways[0]!.peakKPa)} kPa under a clip.` : ''}${w.against.length ? ` Against it: ${w.against.join(', ')}.` : ''}`;
    }),
    'Number and force are solved together: few strong clips hold less well than many gentle ones, and many strong ones press too hard.',
    c.kind === 'tape'
      ? `The room is uncertain by ${kelvin(roomU.value, settings, 0)}; a colder night makes the clocks longer.`
      : c.kind === 'solvent'
        ? `Glass and metal are tight: solvent leaves through the strip’s edges, so time goes with the square of its width, ${length(c.bondMm, settings, 1)} here. The inner edge faces a nearly closed housing: between both edges open and only one, four times as long. ${edgesSay(c)}`
        : `It cures from its edges inward, with the root of time, the faster the damper the air; ${length(c.bondMm, settings, 1)} here, from both edges or from one. ${edgesSay(c)}`,
  ];
}

const edgesSay = (c: JobCure) =>
  c.edges.seen
    ? `This shop’s own ${c.edges.seen} observations narrow that to ${c.edges.low.toFixed(1)} to ${c.edges.high.toFixed(1)} times.`
    : 'Three that held narrow that for this shop, one that slipped moves it at once.';

export function cureRows(c: JobCure): WhyRow[] {
  const hold = [
    rowOf('Pressure it wants', c.kind === 'tape' ? tapePressKPa : beadPressKPa, 'kPa'),
    rowOf('Least evenness', evennessMin, ''),
    rowOf('Most under a clip', bondLimitKPa, 'kPa'),
    rowOf('Most over the display', displayLimitKPa, 'kPa'),
    rowOf('Most over a coil', coilLimitKPa, 'kPa'),
  ];
  if (c.kind === 'tape')
    return [
      ...hold,
      rowOf('Activation energy', activationKJ, 'kJ/mol'),
      rowOf('Share for clamps off', tapeMarks.clampOff, ''),
      rowOf('Share for a seal test', tapeMarks.sealTest, ''),
    ];
  if (c.kind === 'solvent')
    return [
      ...hold,
      rowOf('Diffusion at 23 °C', diffusion23M2S, 'm²/s'),
      rowOf('Activation energy', solventActivationKJ, 'kJ/mol'),
      rowOf('Left when the clamps come off', beadMarks.clampOff, ''),
      rowOf('Left when it is moved', beadMarks.handle, ''),
      rowOf('Left when work goes on', beadMarks.build, ''),
      rowOf('Left when it counts as cured', beadMarks.full, ''),
    ];
  return [
    ...hold,
    rowOf('Cured from the edge in 24 h', moistureFigures.depthMm24h, 'mm'),
    rowOf('Activation energy', moistureFigures.activationKJ, 'kJ/mol'),
    rowOf('Share for clamps off', moistureMarks.clampOff, ''),
    rowOf('Share for work to go on', moistureMarks.build, ''),
  ];
}
