import en from './en/jobs';
import { speaks } from './speaks';

export const t = speaks('jobs', en);
