import { version as own } from '../../package.json';

/** Of the software, as it was built. */
export const version: string = own;

/**
 * Of what is stored. It goes up when an older version could not read what a newer one wrote; what is added so that older
 * versions leave it alone keeps it as it is.
 */
export const storageFormat = 1;
