import en from './en/clean';
import { speaks } from './speaks';

export const t = speaks('clean', en);
