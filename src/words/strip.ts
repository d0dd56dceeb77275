import en from './en/strip';
import { speaks } from './speaks';

export const t = speaks('strip', en);
