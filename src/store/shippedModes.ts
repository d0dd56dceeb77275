import list from './shippedModes.json';

/** Device id to digest of the modes that ship in public/modes; written by `npm run modes`. */
export const shippedModes: Readonly<Record<string, string>> = list;
