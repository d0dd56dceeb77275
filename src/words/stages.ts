import en from './en/stages';
import { speaks } from './speaks';

export const t = speaks('stages', en);
