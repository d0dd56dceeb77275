import { RefusedError } from './storageErrors';

/** Why something was not written, in a sentence. */
export const savingTrouble = (e: unknown): string =>
  e instanceof RefusedError
    ? `${e.message[0]!.toUpperCase()}${e.message.slice(1)}. Nothing was changed.`
    : 'The storage of this browser takes nothing at the moment: it holds until the page is closed. Export now.';
