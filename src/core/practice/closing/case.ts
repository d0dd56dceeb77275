import type { Liquid } from '../../bond/bead';
import type { HoldBed } from '../../bond/clampPlan';
import type { OpenTime } from '../../bond/openTime';
import type { CrumbInput } from '../../clean/crumb';
import type { CleanZone } from '../../clean/zones';
import type { ClimateStep, CureKind } from '../../cure/laws';
import type { Perimeter } from '../../device/perimeter';
import { commonPractice, judgement } from '../../source';

/** A joint that is to be closed again, as the app believes it to be. */
export interface ClosingCase {
  path: Perimeter;
  by: 'tape' | 'bead';
  /** those of the ring */
  zones: readonly CleanZone[];
  /** with the gap as the model has it */
  crumb: CrumbInput;
  bead: {
    liquid: Liquid;
    /** width of the closed bond that was planned, mm, and the section that makes it, mm² */
    bondMm: number;
    sectionMm2: number;
    feedMmS: number;
    open: OpenTime;
  };
  /** from the middle of the joint to the nearest opening, mm, one for each cell */
  openMm: readonly number[];
  hold: HoldBed;
  /** the air from the beginning of the exercise on */
  cure: { kind: CureKind; bondMm: number; steps: readonly ClimateStep[] };
  roomC: number;
}

export const closingFigures = {
  cellMm: judgement(2.5, 'stretches so short are as clean, and as thick, all over'),
  wiperMm: judgement(12, 'what a fingertip in a cloth, or the light of a lamp, covers at once'),
  tweezersMm: judgement(4, 'tweezers find a crumb so near to where they are put'),
  visible: judgement(0.05, 'old glue is seen, and carries no tape, from this share of it on'),
  filmDry: judgement(0.25, 'share of a film that a dry rub takes'),
  filmWet: judgement(0.7, 'share of a film that a rub with alcohol takes'),
  filmMost: judgement(0.3, 'a film of more than this keeps tape from its hold'),
  leastMm: judgement(5, 'a fault that is shorter does not begin to lift'),
  thinShare: judgement(0.5, 'a bead lets go first where it is under half of what was planned'),
  pickS: commonPractice(2, 'one crumb with tweezers'),
  readyS: judgement(5, 'clips on or off'),
};

/** What hands do for a stretch of time. */
export type ClosingAction =
  | { kind: 'wait' }
  /** a cloth from one place of the joint to another */
  | { kind: 'rub'; fromMm: number; toMm: number; wet: boolean }
  /** a lamp from the side, slowly along */
  | { kind: 'look'; fromMm: number; toMm: number }
  | { kind: 'pick'; sMm: number }
  /** the nozzle, pressed steadily */
  | { kind: 'lay'; fromMm: number; toMm: number }
  | { kind: 'close' }
  /** clips all round; a board with weights or a bag presses as evenly as it should */
  | { kind: 'clamp'; count: number; forceN: number; even: boolean }
  | { kind: 'unclamp' }
  | { kind: 'handOver' };

export type ClosingRefusal = 'shut' | 'open' | 'nothingLaid' | 'held' | 'notHeld' | 'handed';

/** What came of it at once; instants are seconds of the exercise. */
export type ClosingHappened =
  | { what: 'crumbSeen'; atS: number; sMm: number }
  | { what: 'crumbGone'; atS: number; sMm: number }
  | { what: 'nothingThere'; atS: number; sMm: number }
  | { what: 'bare'; atS: number; sMm: number }
  | { what: 'haze'; atS: number; sMm: number }
  | { what: 'closed'; atS: number }
  | { what: 'clamped'; atS: number; count: number }
  | { what: 'slipped'; atS: number; share: number }
  | { what: 'held'; atS: number }
  | { what: 'handed'; atS: number }
  | { what: 'no'; atS: number; why: ClosingRefusal };

export interface ClosingState {
  tS: number;
  /** of each cell: old glue that is left, and film that is left, as shares */
  glue: readonly number[];
  film: readonly number[];
  /** when it was last wiped wet; null: never */
  wetAtS: readonly (number | null)[];
  /** the lamp went over it */
  lit: readonly boolean[];
  /** of each crumb: how well it was looked at, in looks; whether it was taken out */
  looks: readonly number[];
  gone: readonly boolean[];
  hazeAtMm: number | null;
  /** of each cell: mm² of glue, and when the first of it came */
  laidMm2: readonly number[];
  laidAtS: readonly (number | null)[];
  closedAtS: number | null;
  clamp: { atS: number; count: number; forceN: number; even: boolean } | null;
  offAtS: number | null;
  slippedAtS: number | null;
  handedAtS: number | null;
}
