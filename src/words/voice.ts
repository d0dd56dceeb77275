import en from './en/voice';
import { speaks } from './speaks';

export const t = speaks('voice', en);
