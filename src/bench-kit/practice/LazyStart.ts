import type { Started } from './start';

/** Begins an exercise: what makes its device is loaded with the first one. @returns the page where it goes on */
export const startPractice = async (started: Started): Promise<string> =>
  (await import('./start')).startPractice(started);
