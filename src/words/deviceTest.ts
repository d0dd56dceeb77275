import en from './en/deviceTest';
import { speaks } from './speaks';

export const t = speaks('deviceTest', en);
