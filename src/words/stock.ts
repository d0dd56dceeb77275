import en from './en/stock';
import { speaks } from './speaks';

export const t = speaks('stock', en);
