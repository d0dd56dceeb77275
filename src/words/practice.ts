import en from './en/practice';
import { speaks } from './speaks';

export const t = speaks('practice', en);
