import en from './en/bond';
import { speaks } from './speaks';

export const t = speaks('bond', en);
