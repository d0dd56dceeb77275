import en from './en/log';
import { speaks } from './speaks';

export const t = speaks('log', en);
