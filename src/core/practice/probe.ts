import { normalOf, randomOf } from '../numeric/random';
import { commonPractice, judgement } from '../source';
import type { PracticeBench } from './bench';
import type { BenchState } from './happened';

export const practiceProbe = {
  everyS: commonPractice(2, 'a logger of a thermocouple gives a reading every second or two'),
  lagS: judgement(3, 'a taped bead follows the glue within some seconds'),
  noiseK: judgement(0.3, 'readings of a cheap logger scatter by some tenths of a kelvin'),
};

export interface PracticeReading {
  atS: number;
  tempC: number;
}

/**
 * What a thermocouple taped to the middle of the bottom edge reads, one reading after the other: the true line a little late, with
 * the scatter of the logger. The same seed and instant, the same reading.
 * @param fromS first instant that is read, s
 * @param toS readings up to here, s
 */
export function probeReadings(
  bench: Pick<PracticeBench, 'lineC' | 'truth'>,
  s: Pick<BenchState, 'switches'>,
  fromS: number,
  toS: number,
): PracticeReading[] {
  const { everyS, lagS, noiseK } = practiceProbe;
  const out: PracticeReading[] = [];
  for (let i = Math.max(0, Math.ceil(fromS / everyS.value - 1e-9)); i * everyS.value <= toS; i++) {
    const atS = i * everyS.value;
    const noise = normalOf(randomOf(bench.truth.seed * 7919 + i * 104_729));
    out.push({ atS, tempC: bench.lineC(s, 0, Math.max(0, atS - lagS.value)) + noiseK.value * noise });
  }
  return out;
}
