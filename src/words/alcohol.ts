import en from './en/alcohol';
import { speaks } from './speaks';

export const t = speaks('alcohol', en);
