import en from './en/heat';
import { speaks } from './speaks';

export const t = speaks('heat', en);
