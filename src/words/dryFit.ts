import en from './en/dryFit';
import { speaks } from './speaks';

export const t = speaks('dryFit', en);
