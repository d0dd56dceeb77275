import en from './en/lift';
import { speaks } from './speaks';

export const t = speaks('lift', en);
