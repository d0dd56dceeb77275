import en from './en/records';
import { speaks } from './speaks';

export const t = speaks('records', en);
