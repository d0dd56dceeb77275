import en from './en/codes';
import { speaks } from './speaks';

const t = speaks('codes', en);

/** What an entry holds as a code, said; what has no words (a person's own, a later version's) as it stands. */
export const said = (code: string): string => (Object.hasOwn(en, code) ? t(code as keyof typeof en) : code);
