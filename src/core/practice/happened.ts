import type { Perimeter } from '../device/perimeter';
import type { Bond, Cover, Device, Pt } from '../device/types';
import type { ArcCells } from '../heat/arcs';
import type { AirHeater, Heater } from '../heat/heater';
import type { HeatSwitch, HeatUse, Watched } from '../heat/member';
import type { Marks } from '../heat/opening';
import type { ReducedModel } from '../heat/reduced';
import type { BenchAir } from '../heat/run';
import type { Advance } from '../lift/advance';
import type { KeepOut } from '../lift/depth';
import type { LiftCase } from '../lift/verdict';
import { commonPractice, judgement } from '../source';

/** What is practised on, as the app believes it to be. */
export interface PracticeCase {
  device: Device;
  bond: Bond;
  /** null: a lens cover, which has a law of its own */
  model: ReducedModel | null;
  lens?: LensOf;
  path: Perimeter;
  arcs: readonly ArcCells[];
  ambientC: number;
  air: BenchAir;
  /** without the pick, which the hand brings */
  lift: Omit<LiftCase, 'pickMm'>;
  outs: readonly KeepOut[];
  marks: Partial<Record<Watched, Marks>>;
}

/** A lens cover as its own forecast takes it. */
export interface LensOf {
  cover: Pick<Cover, 'outline' | 'hMm'>;
  bond: Pick<Bond, 'widthMm' | 'insetMm' | 'gapMm'>;
  /** air that is meant where nothing else is said */
  heater: AirHeater;
  needMm: number;
}

export const practiceFigures = {
  /** a small cup lets go of glass under more than this */
  cupHoldsN: commonPractice(70, 'a small suction cup slips or lets go above some 60 to 80 N'),
  gapHalfMm: judgement(12, 'a first gap is about as wide as the blade and a little more'),
  spanMm: judgement(20, 'length of edge that a cup bends'),
  restMm: judgement(4, 'a millimetre or two beside a place that is left shut comes with the cover'),
  fastShare: judgement(1.5, 'half as fast again as is comfortable is called too fast'),
  tearMmS: judgement(1, 'a pick that is forced into a bond that does not follow strains this much of it a second'),
};

/** What a hand does for a stretch of time. */
export type HandAction =
  | { kind: 'wait' }
  | { kind: 'heat'; heater: Heater; use: HeatUse; setC: number; preheated: boolean }
  | { kind: 'off' }
  /** a cup at a place of the edge, pulled with so many newtons */
  | { kind: 'pull'; sMm: number; forceN: number }
  /** a pick in the gap, `depthMm` from the cover's edge, moved along s; a negative speed goes back */
  | { kind: 'push'; sMm: number; depthMm: number; speedMmS: number; pickMm: number }
  | { kind: 'alcohol'; fromMm: number; toMm: number };

export type Refusal = 'onHeat' | 'nothingOnHeat' | 'noGap' | 'over';

/** What came of it; instants are seconds of the exercise. */
export type Happened =
  | { what: 'gap'; atS: number; sMm: number; tC: number; forceN: number }
  | { what: 'holds'; atS: number; sMm: number; tC: number; needN: number }
  | { what: 'cupOff'; atS: number; sMm: number; tC: number }
  | { what: 'stuck'; atS: number; sMm: number; tC: number; speedMmS: number }
  | { what: 'shallow'; atS: number; sMm: number; depthMm: number; needMm: number }
  | {
      what: 'broke';
      atS: number;
      sMm: number;
      tC: number;
      stressMPa: number;
      charMPa: number;
      because: BreakCause;
      crack: Pt[];
    }
  | {
      what: 'hurt';
      atS: number;
      sMm: number;
      depthMm: number;
      limitMm: number;
      part: string;
      name: string;
      why: KeepOut['why'];
    }
  | { what: 'partHot'; atS: number; part: Watched; tC: number; stopC: number }
  | { what: 'flash'; atS: number }
  | { what: 'free'; atS: number }
  | { what: 'refused'; atS: number; why: Refusal };

/** Why a cover broke, by what was furthest from what the call allows. */
export type BreakCause = 'cold' | 'fast' | 'chip' | 'corner' | 'pull' | 'chance';

export interface BenchState {
  tS: number;
  switches: readonly HeatSwitch[];
  cut: Advance;
  /** expected number of breaks so far */
  hazard: number;
  /** most that a pull has added to it: a second one as strong adds nothing */
  pullHazard: number;
  broke: Extract<Happened, { what: 'broke' }> | null;
  hurt: readonly Extract<Happened, { what: 'hurt' }>[];
  wet: readonly { fromMm: number; toMm: number; atS: number }[];
  flash: boolean;
  /** seconds of each watched part above its stop mark, and its hottest */
  hot: Partial<Record<Watched, { peakC: number; aboveStopS: number }>>;
  /** all of the bond is cut */
  free: boolean;
}
