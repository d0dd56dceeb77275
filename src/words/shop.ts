import en from './en/shop';
import { speaks } from './speaks';

export const t = speaks('shop', en);
