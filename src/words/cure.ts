import en from './en/cure';
import { speaks } from './speaks';

export const t = speaks('cure', en);
