/** What would not be read again after a reload is not written; the message names the field and what is allowed. */
export class RefusedError extends Error {
  constructor(problem: string) {
    super(`not noted: ${problem}`);
  }
}

export class StorageFullError extends Error {
  constructor() {
    super('the storage of this browser is full or closed: nothing was taken in');
  }
}

/** What is stored is of a later version: nothing of it is read, and nothing is written to it. */
export class NewerFormatError extends Error {
  constructor(readonly format: number) {
    super(`the stored data is of format ${format}, which a later version wrote`);
  }
}
