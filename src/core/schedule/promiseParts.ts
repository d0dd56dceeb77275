/** Name of a task of a job in a table of scatters. */
export const scatterKey = (job: string, task: string) => `${job}|${task}`;

const quarter = 900e3;

/** What is said to a customer: the instant rounded up to a quarter of an hour. */
export const roundUpQuarter = (ms: number): number => Math.ceil(ms / quarter) * quarter;
