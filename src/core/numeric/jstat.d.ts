declare module 'jstat' {
  interface Distribution1 {
    inv(p: number, dof: number): number;
    cdf(x: number, dof: number): number;
  }
  export const jStat: {
    studentt: Distribution1;
    normal: { cdf(x: number, mean: number, sd: number): number; inv(p: number, mean: number, sd: number): number };
  };
}
