import { requireIn } from '../errors';
import { judgement, memory, type Sourced } from '../source';

/** Thermal expansion, 1/K. */
export const expansion: Record<string, Sourced> = {
  glass: memory(8e-6, 'aluminosilicate glass, handbook'),
  sodaLime: memory(9e-6, 'soda-lime glass, handbook'),
  ceramic: memory(10e-6, 'zirconia, handbook'),
  aluminium: memory(23e-6, 'aluminium alloy, handbook'),
  steel: memory(16e-6, 'stainless steel, handbook'),
  titanium: memory(9e-6, 'titanium alloy, handbook'),
  plastic: memory(70e-6, 'polycarbonate, handbook'),
};

export const coldestC = judgement(-20, 'coldest that a device is carried in, °C');
export const hottestC = judgement(45, 'warmest that a device is left in, °C');

/**
 * Change of the gap on each side when device and glass go from the fitting temperature to another one: free expansion about
 * the middle (analytic). Negative: the gap closes. Aluminium round glass, 75 mm, −40 K: −0.045 mm.
 * @throws CoreInputError that names half length when out of range
 */
export function gapChangeMm(frame: Sourced, cover: Sourced, halfLengthMm: number, toC: number, fitC: number): number {
  requireIn('half length', halfLengthMm, 1, 500, 'mm');
  return (frame.value - cover.value) * halfLengthMm * (toC - fitC);
}

/** What the gap loses at worst between the coldest and the warmest day, mm. */
export const gapLossMm = (frame: Sourced, cover: Sourced, halfLengthMm: number, fitC: number): number =>
  Math.max(
    0,
    -Math.min(
      gapChangeMm(frame, cover, halfLengthMm, coldestC.value, fitC),
      gapChangeMm(frame, cover, halfLengthMm, hottestC.value, fitC),
    ),
  );

const words: [RegExp, keyof typeof expansion][] = [
  [/alumin/i, 'aluminium'],
  [/steel|stainless/i, 'steel'],
  [/titan/i, 'titanium'],
  [/ceram|zirc/i, 'ceramic'],
  [/glass/i, 'glass'],
  [/plastic|polymer|pc|abs|nylon/i, 'plastic'],
];

/** Expansion of a material of the model by its name; aluminium, the frame that shrinks most on glass, when unknown. */
export const expansionOf = (material: string): Sourced =>
  expansion[words.find(([w]) => w.test(material))?.[1] ?? 'aluminium']!;
