import en from './en/help';
import { speaks } from './speaks';

export const t = speaks('help', en);
