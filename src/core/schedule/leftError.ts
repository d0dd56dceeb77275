/** What a search says that was left: it crosses from a worker as its words alone. */
export const leftMessage = 'another question was asked';

/** A search that was left for another question. */
export class LeftError extends Error {
  constructor() {
    super(leftMessage);
  }
}
