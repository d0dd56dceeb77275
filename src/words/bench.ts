import en from './en/bench';
import { speaks } from './speaks';

export const t = speaks('bench', en);
