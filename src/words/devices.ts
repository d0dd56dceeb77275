import en from './en/devices';
import { speaks } from './speaks';

export const t = speaks('devices', en);
