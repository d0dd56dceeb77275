import en from './en/check';
import { speaks } from './speaks';

export const t = speaks('check', en);
