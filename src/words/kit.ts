import en from './en/kit';
import { speaks } from './speaks';

export const t = speaks('kit', en);
