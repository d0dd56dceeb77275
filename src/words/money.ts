import en from './en/money';
import { speaks } from './speaks';

export const t = speaks('money', en);
