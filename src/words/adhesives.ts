import en from './en/adhesives';
import { speaks } from './speaks';

export const t = speaks('adhesives', en);
