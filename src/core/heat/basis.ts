import { EigenvalueDecomposition, Matrix } from 'ml-matrix';

import { addLong, dotOfLong } from '../numeric/dot';

/** Cells of all snapshots that are worked on at once: they stay in the processor's own memory. */
const chunk = 256;

/** Scalar products of all snapshots with each other, two by two, so that each number that is read serves twice. */
function gramOf(s: readonly Float32Array[], onProgress: (share: number) => void): Matrix {
  const m = s.length;
  const n = s[0]!.length;
  const sums = new Float64Array(m * m);
  for (let from = 0; from < n; from += chunk) {
    const to = Math.min(n, from + chunk);
    for (let i = 0; i < m; i += 2) {
      const a = s[i]!;
      const b = s[i + 1] ?? a;
      for (let j = i; j < m; j += 2) {
        const c = s[j]!;
        const d = s[j + 1] ?? c;
        let ac = 0;
        let ad = 0;
        let bc = 0;
        let bd = 0;
        for (let k = from; k < to; k++) {
          const p = a[k]!;
          const q = b[k]!;
          const u = c[k]!;
          const v = d[k]!;
          ac += p * u;
          ad += p * v;
          bc += q * u;
          bd += q * v;
        }
        const at = i * m + j;
        sums[at] = sums[at]! + ac;
        if (j + 1 < m) sums[at + 1] = sums[at + 1]! + ad;
        if (i + 1 < m) {
          sums[at + m] = sums[at + m]! + bc;
          if (j + 1 < m) sums[at + m + 1] = sums[at + m + 1]! + bd;
        }
      }
    }
    onProgress(from / n);
  }
  const gram = Matrix.zeros(m, m);
  for (let i = 0; i < m; i++)
    for (let j = i; j < m; j++) {
      gram.set(i, j, sums[i * m + j]!);
      gram.set(j, i, sums[i * m + j]!);
    }
  return gram;
}

/** Sums of the snapshots with the weights of each column, two by two like their products. */
function combined(s: readonly Float32Array[], columns: readonly (readonly number[])[]): Float64Array[] {
  const n = s[0]!.length;
  const out = columns.map(() => new Float64Array(n));
  const spare = new Float64Array(n);
  for (let from = 0; from < n; from += chunk) {
    const to = Math.min(n, from + chunk);
    for (let j = 0; j < out.length; j += 2) {
      const x = out[j]!;
      const y = out[j + 1] ?? spare;
      for (let i = 0; i < s.length; i += 2) {
        const a = s[i]!;
        const b = s[i + 1] ?? a;
        const xa = columns[j]![i]!;
        const xb = columns[j]![i + 1] ?? 0;
        const ya = columns[j + 1]?.[i] ?? 0;
        const yb = columns[j + 1]?.[i + 1] ?? 0;
        for (let k = from; k < to; k++) {
          const p = a[k]!;
          const q = b[k]!;
          x[k] = x[k]! + xa * p + xb * q;
          y[k] = y[k]! + ya * p + yb * q;
        }
      }
    }
  }
  return out;
}

/** Leading left singular vectors of the snapshots by the method of snapshots, then re-orthonormalised. */
export function orthonormalBasis(s: Float32Array[], rank: number, onProgress: (share: number) => void): Float64Array[] {
  const gram = gramOf(s, onProgress);
  const evd = new EigenvalueDecomposition(gram, { assumeSymmetric: true });
  const order = evd.realEigenvalues.map((v, i) => [v, i] as const).sort((a, b) => b[0] - a[0]);
  const basis: Float64Array[] = [];
  const columns = order.slice(0, rank).map(([, col]) => evd.eigenvectorMatrix.getColumn(col));
  for (const v of combined(s, columns)) {
    // twice is enough (Kahan, Parlett)
    for (let pass = 0; pass < 2; pass++) for (const b of basis) addLong(v, -dotOfLong(b, v), b);
    const norm = Math.sqrt(dotOfLong(v, v));
    for (let c = 0; c < v.length; c++) v[c] = v[c]! / norm;
    basis.push(v);
  }
  return basis;
}
