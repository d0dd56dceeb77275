import type { Outline, Pt } from '../device/types';
import { backPattern, type BackSpec } from './backPattern';
import { makeJet } from './jet';
import type { Face, Patches } from './spectrum';

/** A film over the heated face as the modes see it. */
export interface Projected {
  /** rank × rank: what the film takes; rank: what it brings for each kelvin of what heats */
  taken: Float64Array;
  brought: Float64Array;
  face: Face;
  /** under a jet: over wide patches */
  wide: Face | null;
}

/** The face that films are projected on: rows of its columns, cell × rank. */
export interface FaceBasis {
  rank: number;
  rows: Float32Array;
  columnAreaM2: number;
  halfCellWm2K: number;
  outline: Outline;
  centers: readonly Pt[];
}

/** Film and share of each column made into what the modes feel. */
function project(b: FaceBasis, film: Float64Array, share: Float64Array): Pick<Projected, 'taken' | 'brought'> {
  const r = b.rank;
  const taken = new Float64Array(r * r);
  const brought = new Float64Array(r);
  const v = new Float64Array(r);
  for (let c = 0; c < film.length; c++) {
    const u = b.columnAreaM2 / (1 / film[c]! + 1 / b.halfCellWm2K);
    for (let i = 0; i < r; i++) v[i] = b.rows[c * r + i]!;
    for (let i = 0; i < r; i++) {
      const uv = u * v[i]!;
      brought[i] = brought[i]! + uv * share[c]!;
      for (let j = 0, at = i * r; j <= i; j++, at++) taken[at] = taken[at]! + uv * v[j]!;
    }
  }
  for (let i = 0; i < r; i++) for (let j = 0; j < i; j++) taken[j * r + i] = taken[i * r + j]!;
  return { taken, brought };
}

/** A contact that is lifted off in places: nothing radiates where it lies on. */
export function projectContact(
  b: FaceBasis,
  spec: Extract<BackSpec, { kind: 'contact' | 'free' }>,
  patches: Patches,
  hFreeWm2K: number,
): Projected {
  const p = backPattern(spec, b.outline, b.centers, 22);
  const n = p.contact.length;
  const film = new Float64Array(n);
  const share = new Float64Array(n);
  const free = new Float64Array(patches.areaM2.length);
  for (let c = 0; c < n; c++) {
    const touch = p.contact[c]!;
    film[c] = touch || hFreeWm2K;
    share[c] = touch ? 1 : 0;
    if (!touch) {
      const q = patches.of![c]!;
      free[q] = free[q]! + b.columnAreaM2 / patches.areaM2[q]!;
    }
  }
  return {
    ...project(b, film, share),
    face: {
      patches,
      free,
      jet: new Float64Array(free.length),
      carried: new Float64Array(free.length),
      columns: { film, share },
      film: 0,
      share: 0,
    },
    wide: null,
  };
}

/** A jet's pattern over patches, for each unit of its strength. */
interface Patterned {
  patches: Patches;
  free: Float64Array;
  jet: Float64Array;
  carried: Float64Array;
}

/** Steps of the strengths at which a jet is projected in full; between them it is interpolated. */
const nodeStep = 1.2;

/**
 * A jet along a path, whatever its air's temperature and scale: both only multiply one pattern of films. What the modes
 * feel is a smooth function of that one strength (each column a series of film and half cell), so it is computed at a few
 * strengths and interpolated: a dial that moves costs no new projection.
 */
export class JetFace {
  private readonly shape: Float64Array;
  private readonly carry: Float64Array;
  private readonly fine: Patterned;
  private readonly coarse: Patterned;
  private readonly nodes = new Map<string, Pick<Projected, 'taken' | 'brought'>>();

  constructor(
    readonly key: string,
    private readonly b: FaceBasis,
    spec: Extract<BackSpec, { kind: 'jet' }>,
    ambientC: number,
    patches: Patches,
    wide: Patches,
  ) {
    const p = backPattern(spec, b.outline, b.centers, ambientC);
    const { base } = makeJet(spec.jet, ambientC);
    this.shape = p.jet.map((h) => h / base);
    this.carry = p.share;
    this.fine = this.over(patches);
    this.coarse = this.over(wide);
  }

  /** The pattern averaged over patches. */
  private over(patches: Patches): Patterned {
    const n = patches.areaM2.length;
    const out = { patches, free: new Float64Array(n), jet: new Float64Array(n), carried: new Float64Array(n) };
    for (let c = 0; c < this.shape.length; c++) {
      const q = patches.of![c]!;
      const w = this.b.columnAreaM2 / patches.areaM2[q]!;
      out.free[q] = out.free[q]! + w;
      out.jet[q] = out.jet[q]! + w * this.shape[c]!;
      out.carried[q] = out.carried[q]! + w * this.shape[c]! * this.carry[c]!;
    }
    return out;
  }

  private columns(strength: number, hFreeWm2K: number): { film: Float64Array; share: Float64Array } {
    const film = this.shape.map((s) => hFreeWm2K + strength * s);
    return { film, share: this.carry.map((e, c) => (strength * this.shape[c]! * e) / film[c]!) };
  }

  private node(k: number, hFreeWm2K: number) {
    const key = `${k}|${hFreeWm2K}`;
    let found = this.nodes.get(key);
    if (!found) {
      const { film, share } = this.columns(nodeStep ** k, hFreeWm2K);
      found = project(this.b, film, share);
      if (this.nodes.size > 64) this.nodes.clear();
      this.nodes.set(key, found);
    }
    return found;
  }

  /** @param strength film of the jet for each unit of its pattern, W/m²K: `makeJet(...).base` */
  at(strength: number, hFreeWm2K: number): Projected {
    // parabola through the three nearest strengths (Lagrange)
    const k = Math.round(Math.log(strength) / Math.log(nodeStep));
    const x = [k - 1, k, k + 1].map((i) => nodeStep ** i);
    const weight = x.map((xi, i) => x.reduce((m, xj, j) => (i === j ? m : (m * (strength - xj)) / (xi - xj)), 1));
    const three = [k - 1, k, k + 1].map((i) => this.node(i, hFreeWm2K));
    const mix = (of: (n: Pick<Projected, 'taken' | 'brought'>) => Float64Array) => {
      const [a, b, c] = three.map(of) as [Float64Array, Float64Array, Float64Array];
      return a.map((v, i) => weight[0]! * v + weight[1]! * b[i]! + weight[2]! * c[i]!);
    };
    const columns = this.columns(strength, hFreeWm2K);
    const face = ({ patches, free, jet, carried }: Patterned): Face => ({
      patches,
      free,
      jet: jet.map((w) => strength * w),
      carried: carried.map((w) => strength * w),
      columns,
      film: 0,
      share: 0,
    });
    return {
      taken: mix((n) => n.taken),
      brought: mix((n) => n.brought),
      face: face(this.fine),
      wide: face(this.coarse),
    };
  }
}
