import { Matrix, SingularValueDecomposition } from 'ml-matrix';

export interface LeastSquares {
  x: number[];
  rank: number;
  /** (AᵀA)⁺ */
  covariance: Matrix;
}

/** Minimum-norm least squares by SVD; singular values under `relative` of the largest are dropped. */
export function leastSquares(rows: number[][], y: number[], relative = 1e-8): LeastSquares {
  const a = new Matrix(rows);
  // ml-matrix wants at least as many rows as columns unless it may transpose
  const svd = new SingularValueDecomposition(a, { autoTranspose: true });
  const s = svd.diagonal;
  const top = Math.max(...s);
  const u = svd.leftSingularVectors;
  const v = svd.rightSingularVectors;
  const n = a.columns;
  const x = new Array<number>(n).fill(0);
  const covariance = Matrix.zeros(n, n);
  let rank = 0;
  s.forEach((sv, k) => {
    if (sv <= relative * top) return;
    rank++;
    let p = 0;
    for (let i = 0; i < y.length; i++) p += u.get(i, k) * y[i]!;
    for (let j = 0; j < n; j++) {
      x[j] = x[j]! + (v.get(j, k) * p) / sv;
      for (let l = 0; l < n; l++) covariance.set(j, l, covariance.get(j, l) + (v.get(j, k) * v.get(l, k)) / sv ** 2);
    }
  });
  return { x, rank, covariance };
}

/** Ratio of smallest to largest singular value. */
export function conditionRatio(rows: number[][]): number {
  const s = new SingularValueDecomposition(new Matrix(rows), { autoTranspose: true }).diagonal;
  return Math.min(...s) / Math.max(...s);
}
