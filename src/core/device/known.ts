import { judgement, type Sourced } from '../source';
import type { GridErrorK } from '../heat/modes';
import type { Device, HowKnown, Part } from './types';

/**
 * How the facts of a model are known (one law 24). A fact that is not named is from a drawing. Keys: `size`, `thickness`,
 * `layers` (how thick cover, room and parts are), `bond:ID` (width, inset and glue of a joint), `part:ID`, `hole:ID`,
 * `cables` (which ones cross to a cover), `small` (screws, plugs and small parts).
 */
export const factOf = {
  part: (id: string) => `part:${id}`,
  hole: (id: string) => `hole:${id}`,
  bond: (id: string) => `bond:${id}`,
} as const;

export const howIs = (device: Pick<Device, 'known'>, fact: string): HowKnown => device.known?.[fact] ?? 'drawing';

export const isGuessed = (device: Pick<Device, 'known'>, fact: string): boolean => howIs(device, fact) === 'guessed';

/** The facts that rest on a guess, in the order of the model. */
export const guessedFacts = (device: Pick<Device, 'known'>): string[] =>
  Object.entries(device.known ?? {}).flatMap(([fact, how]) => (how === 'guessed' ? [fact] : []));

/** Another way of knowing a fact; a model that is all from a drawing stays one. */
export const withKnown = <D extends Pick<Device, 'known'>>(device: D, fact: string, how: HowKnown): D =>
  device.known && device.known[fact] !== undefined ? { ...device, known: { ...device.known, [fact]: how } } : device;

/** Where a part stands may be off by this much, mm. */
const placeMm: Record<HowKnown, Sourced> = {
  guessed: judgement(5, 'where parts of a kind stand on the models at hand: most within 5 mm of the usual place'),
  seen: judgement(1.5, 'a place tapped on a plan with a fingertip'),
  measured: judgement(0.3, 'a ruler or caliper held to a rounded edge'),
  drawing: judgement(0, 'the drawing is taken at its word'),
};

/** What a tool keeps from a part beyond its clearance, because its place is not known better, mm. */
export const placeMarginMm = (device: Pick<Device, 'known'>, part: Pick<Part, 'id'>): number =>
  placeMm[howIs(device, factOf.part(part.id))].value;

/** True when parts lie inside that nobody has seen: nothing goes further in than the joint itself. */
export const insideGuessed = (device: Pick<Device, 'known' | 'parts'>): boolean =>
  device.parts.some((p) => isGuessed(device, factOf.part(p.id)));

/** Which cables cross to a cover is not known: it is looked for before the cover is folded. */
export const cablesUnknown = (device: Pick<Device, 'known'>): boolean => isGuessed(device, 'cables');

/**
 * What a guessed inside may move temperatures by, about 95 %, K: the nine shipped models against their own templates, edge and
 * parts at the usual instant (guess.test.ts).
 */
export const guessK: GridErrorK = { bondLow: 3, bondHigh: 3, partLow: 2, partHigh: 3 };

/** Null: nothing that heat depends on is guessed. */
export const guessErrorK = (device: Pick<Device, 'known' | 'parts'>): GridErrorK | null =>
  insideGuessed(device) || isGuessed(device, 'layers') ? guessK : null;
