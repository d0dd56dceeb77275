import en from './en/intake';
import { speaks } from './speaks';

export const t = speaks('intake', en);
