import { commonPractice, judgement, memory, published, type Sourced } from '../source';
import { bare } from '../bare';

/** Cover strength data. MPa, µm, °C. */
export interface CoverStrength {
  eGPa: Sourced;
  nu: Sourced;
  kIcMPaSqrtM?: Sourced;
  csMPa?: Sourced;
  dolUm?: Sourced;
  flawUm: Sourced;
  yieldMPa?: Sourced;
  /** marks of the cover's own hottest surface, °C */
  surfaceC: { caution: Sourced; stop: Sourced };
  sf: Sourced;
}

const handbook = 'handbook, quoted from memory';

const hardSurface: CoverStrength['surfaceC'] = {
  caution: judgement(150, 'benches pass air of 200 °C over it every day; print and coating behind it are not known'),
  stop: judgement(200, 'its own surface, not the air over it'),
};

export const coverStrengths: Record<string, CoverStrength> = bare({
  glassPlain: {
    eGPa: published(72, handbook),
    nu: published(0.22, handbook),
    kIcMPaSqrtM: published(0.75, `0.7-0.8, ${handbook}`),
    flawUm: judgement(50, 'edge flaw of a cut glass edge'),
    surfaceC: hardSurface,
    sf: judgement(2, 'safety factor'),
  },
  glassStrengthened: {
    eGPa: published(72, handbook),
    nu: published(0.22, handbook),
    kIcMPaSqrtM: published(0.75, `0.7-0.8, ${handbook}`),
    csMPa: memory(750, 'typical ion exchange'),
    dolUm: memory(40, 'typical ion exchange'),
    flawUm: judgement(30, 'edge flaw of an intact edge'),
    surfaceC: hardSurface,
    sf: judgement(2, 'safety factor'),
  },
  ceramic: {
    eGPa: published(210, `zirconia, ${handbook}`),
    nu: published(0.31, handbook),
    kIcMPaSqrtM: published(5, handbook),
    flawUm: judgement(50, 'edge flaw of a ground ceramic edge'),
    surfaceC: hardSurface,
    sf: judgement(2, 'safety factor'),
  },
  plastic: {
    eGPa: published(2.4, handbook),
    nu: published(0.37, handbook),
    flawUm: judgement(50, 'not used for plastic'),
    yieldMPa: published(60, `polycarbonate, ${handbook}`),
    surfaceC: {
      caution: judgement(70, 'moulded plastic begins to give, and marks'),
      stop: commonPractice(90, 'moulded plastic warps from about here'),
    },
    sf: judgement(1.5, 'safety factor'),
  },
});

/** Edge flaw to reckon with after the question "chips?": unsure counts as 60 µm, law 15; yes as 100 µm. */
export const chipFlawUm: Record<'no' | 'unsure' | 'yes', Sourced> = {
  no: judgement(30, 'no chip seen'),
  unsure: judgement(60, 'unsure counts as a 60 µm flaw'),
  yes: judgement(100, 'a chip goes through the strengthened layer'),
};

const edgeCrackY = 1.12;

/**
 * Strength of a cover edge with a flaw of depth c: σ = K_Ic/(Y √(πc)) + what the residual layer adds (linear profile, CS
 * at the surface, 0 at depth DOL, balancing tension inside). Published: Irwin/Tada edge crack Y = 1.12; crack Green
 * function. Plastic: yield. @returns characteristic and design strength, MPa
 */
export function coverStrengthMPa(
  cover: CoverStrength,
  hMm: number,
  flawUm: number,
): { charMPa: number; designMPa: number } {
  const sf = cover.sf.value;
  if (cover.yieldMPa) return { charMPa: cover.yieldMPa.value, designMPa: cover.yieldMPa.value / sf };
  const c = flawUm;
  const base = (cover.kIcMPaSqrtM?.value ?? 0) / (edgeCrackY * Math.sqrt(Math.PI * c * 1e-6));
  const charMPa = Math.max(0, base + residualLayerMPa(cover.csMPa?.value ?? 0, cover.dolUm?.value ?? 0, hMm, c));
  return { charMPa, designMPa: charMPa / sf };
}

/** Compression that a strengthened surface keeps at the depth of a flaw, MPa, from the stress at its surface, MPa, and the depth of its layer, µm. */
export function residualLayerMPa(csMPa: number, dolUm: number, hMm: number, flawUm: number): number {
  if (csMPa <= 0 || dolUm <= 0) return 0;
  if (flawUm <= dolUm) return csMPa * (1 - (2 * flawUm) / (Math.PI * dolUm));
  const tension = (csMPa * dolUm) / (hMm * 1e3 - 2 * dolUm);
  const a = Math.asin(dolUm / flawUm);
  return (
    (2 / Math.PI) * (csMPa * (a - (flawUm - Math.sqrt(flawUm ** 2 - dolUm ** 2)) / dolUm) - tension * (Math.PI / 2 - a))
  );
}

/**
 * Chance of breaking over an opened length: Weibull with the median strength of a 40 mm edge, m = 6 (glass edges 5-10,
 * from memory; Weibull published). Looks optimistic: no twisting, no hidden chips.
 */
export function breakChance(stressMPa: number, charMPa: number, lengthMm: number, m = 6): number {
  return 1 - Math.exp(-breakHazard(stressMPa, charMPa, lengthMm, m));
}

/** The same as an expected number of breaks: hazards of stretches add up, chances do not. */
export const breakHazard = (stressMPa: number, charMPa: number, lengthMm: number, m = 6): number =>
  charMPa > 0 ? Math.LN2 * (lengthMm / 40) * (stressMPa / charMPa) ** m : Infinity;
