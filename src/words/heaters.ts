import en from './en/heaters';
import { speaks } from './speaks';

export const t = speaks('heaters', en);
