/** Calls shown; shown after one's own decision; not shown. */
export const practiceWays = ['guided', 'checked', 'alone'] as const;
export type PracticeWay = (typeof practiceWays)[number];
