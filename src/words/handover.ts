import en from './en/handover';
import { speaks } from './speaks';

export const t = speaks('handover', en);
