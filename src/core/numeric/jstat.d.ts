declare module 'jstat' {
  interface Distribution1 {
    inv(p: number, dof: number): number;
    cdf(x: number, dof: number): number;
  }
  interface Distribution2 {
    inv(p: number, a: number, b: number): number;
    cdf(x: number, a: number, b: number): number;
    pdf(x: number, a: number, b: number): number;
  }
  interface Discrete {
    pdf(k: number, n: number, p: number): number;
    cdf(k: number, n: number, p: number): number;
  }
  export const jStat: {
    gammaln(x: number): number;
    studentt: Distribution1;
    normal: Distribution2;
    beta: Distribution2;
    binomial: Discrete;
  };
}
