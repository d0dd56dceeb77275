import { commonPractice, judgement } from '../source';

/** Who works: by the calls as they are shown, or in one of the ways in which people go wrong. */
export type Style = 'guided' | 'reckless' | 'timid' | 'random';
export const styles: readonly Style[] = ['guided', 'reckless', 'timid', 'random'];

export const handFigures = {
  cupStepN: judgement(10, 'a hand pulls a cup harder by so much at a time'),
  cupMostN: commonPractice(60, 'more than this is not pulled at a small cup'),
  mostHeats: judgement(24, 'after so many heats somebody stops and asks'),
  /** s from a call that it grips to the device on the heat again */
  /** s that alcohol is given to run in and soften, before the pick tries again */
  wickS: judgement(90, 'a minute or two; longer, and what it won is lost to the cooling'),
  turnS: judgement(8, 'a device is laid back on the plate'),
};

/** With so little left until a customer leaves, hands go, s. */
export const hurryS = judgement(20, 'a pick is laid down and gloves come off');

/** Slower than this nobody goes on: it is heated again. */
export const slowestMmS = judgement(0.08, 'under a millimetre in ten seconds a bond counts as gripping');

/** What a style does with the calls: when it takes the device off, how fast and how deep it goes, and whether it feels. */
export interface Manner {
  /** of the time until it goes easily */
  heatShare: number;
  late: boolean;
  /** of the speed that is said */
  speed: number;
  /** over what is said, mm; still within the limit where it is 0 or less */
  deeperMm: number;
  /** slows down and reheats when the pick does not follow */
  feels: boolean;
}

export const mannerOf = (style: Style, random: () => number): Manner =>
  ({
    guided: { heatShare: 1, late: false, speed: 1, deeperMm: 0, feels: true },
    reckless: { heatShare: 0.45, late: false, speed: 4, deeperMm: 4, feels: false },
    timid: { heatShare: 1, late: true, speed: 0.3, deeperMm: -0.5, feels: true },
    random: {
      heatShare: 0.3 + 1.2 * random(),
      late: random() < 0.3,
      speed: 0.2 + 3 * random(),
      deeperMm: -1 + 5 * random(),
      feels: random() < 0.5,
    },
  })[style];
