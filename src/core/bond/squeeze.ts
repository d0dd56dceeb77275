import { requireIn } from '../errors';
import { firstRoot } from '../numeric/roots';

/**
 * Newtonian bead of section A pressed from h0 to hf by a line force f, s. A bead keeps its section, so its width is A/h:
 * t = μ A³/(5 f) (hf⁻⁵ − h0⁻⁵) (Stefan 1874 and Reynolds 1886, published, slot form).
 * @param aMm2 section, @param fNmm force per length of bead, N/mm
 */
export function squeezeNewtonS(aMm2: number, viscosityPaS: number, fNmm: number, h0Mm: number, hfMm: number): number {
  return ((viscosityPaS * 1e-6 * aMm2 ** 3) / (5 * fNmm)) * (hfMm ** -5 - h0Mm ** -5);
}

/** Gap at which a glue with a yield stress stops by itself: f = τ b²/(2h) with b = A/h (plastic limit, analytic). */
export const stopGapMm = (aMm2: number, yieldPa: number, fNmm: number): number =>
  ((yieldPa * 1e-6 * aMm2 ** 2) / (2 * fNmm)) ** (1 / 3);

/** Gauss-Legendre nodes and weights on [0, 1] by Newton on the Legendre polynomial (textbook). */
function gauss(n: number): { x: number[]; w: number[] } {
  const x: number[] = [];
  const w: number[] = [];
  for (let i = 0; i < n; i++) {
    let z = Math.cos((Math.PI * (i + 0.75)) / (n + 0.5));
    let slope = 1;
    for (let it = 0; it < 100; it++) {
      let [p, q] = [1, 0];
      for (let k = 1; k <= n; k++) [p, q] = [((2 * k - 1) * z * p - (k - 1) * q) / k, p];
      slope = (n * (z * p - q)) / (z * z - 1);
      const step = p / slope;
      z -= step;
      if (Math.abs(step) < 1e-15) break;
    }
    x.push((1 - z) / 2);
    w.push(1 / ((1 - z * z) * slope * slope));
  }
  return { x, w };
}
const across = gauss(24);
const along = gauss(10);

/**
 * Force per length that closes a Bingham bead at a speed, N/mm: wall stress from plane Poiseuille flow,
 * y − 3/2 + 1/(2y²) = 6 μ x |h'|/(h² τ) (Covey & Stanmore 1981 form, published).
 */
export function binghamForceNmm(speedMmS: number, hMm: number, aMm2: number, muNs: number, tauN: number): number {
  const width = aMm2 / hMm;
  if (tauN <= 0) return (muNs * width ** 3 * speedMmS) / hMm ** 3;
  const half = width / 2;
  return across.x.reduce((sum, s, i) => {
    const x = half * s * s;
    const q = (6 * muNs * x * speedMmS) / (hMm * hMm * tauN);
    // largest root of the cubic y³ − c y² + 1/2 = 0, which is the law above times y²
    const c = 1.5 + q;
    const y = c / 3 + ((2 * c) / 3) * Math.cos(Math.acos(Math.max(-1, 1 - 27 / (4 * c ** 3))) / 3);
    return sum + across.w[i]! * 2 * half * s * 2 * x * 2 * tauN * (y / hMm);
  }, 0);
}

export interface Squeeze {
  /** until the gap is reached; null when the glue stops before, s */
  timeS: number | null;
  stopMm: number;
}

/**
 * How long a bead flows until the gap is reached, and where it would stop by itself. All lengths mm, force N/mm.
 * @throws CoreInputError that names section of the bead, line force, gap when out of range
 */
export function squeeze(
  aMm2: number,
  viscosityPaS: number,
  yieldPa: number,
  fNmm: number,
  h0Mm: number,
  hfMm: number,
): Squeeze {
  requireIn('section of the bead', aMm2, 1e-4, 100, 'mm²');
  requireIn('line force', fNmm, 1e-5, 100, 'N/mm');
  requireIn('gap', hfMm, 1e-3, h0Mm, 'mm');
  if (yieldPa <= 0) return { timeS: squeezeNewtonS(aMm2, viscosityPaS, fNmm, h0Mm, hfMm), stopMm: 0 };
  const mu = viscosityPaS * 1e-6;
  const tau = yieldPa * 1e-6;
  const stopMm = stopGapMm(aMm2, yieldPa, fNmm);
  if (hfMm <= stopMm) return { timeS: null, stopMm };
  const speed = (h: number) => {
    let hi = 1;
    while (binghamForceNmm(hi, h, aMm2, mu, tau) < fNmm) hi *= 10;
    return Math.exp(
      firstRoot((l) => binghamForceNmm(Math.exp(l), h, aMm2, mu, tau) - fNmm, Math.log(1e-16), Math.log(hi)),
    );
  };
  // t = ∫ dh/h', over ln (h − stop): near the gap where it stops by itself the speed fades with that distance
  const [a, b] = [Math.log(hfMm - stopMm), Math.log(h0Mm - stopMm)];
  const panels = Math.max(4, Math.ceil(b - a));
  let timeS = 0;
  for (let p = 0; p < panels; p++) {
    const lo = a + ((b - a) * p) / panels;
    const d = (b - a) / panels;
    along.x.forEach((x, i) => {
      const over = Math.exp(lo + d * x);
      timeS += (along.w[i]! * d * over) / speed(stopMm + over);
    });
  }
  return { timeS, stopMm };
}
