import en from './en/happened';
import { speaks } from './speaks';

export const t = speaks('happened', en);
