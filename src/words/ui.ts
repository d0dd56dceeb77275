import en from './en/ui';
import { speaks } from './speaks';

export const t = speaks('ui', en);
