declare module 'javascript-lp-solver' {
  const solver: { Solve(model: object): Record<string, unknown> };
  export default solver;
}
