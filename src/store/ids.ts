import { nanoid } from 'nanoid';

/** A new id. Not crypto.randomUUID: browsers give that only to pages from https or this machine itself. */
export const newId = () => nanoid();
