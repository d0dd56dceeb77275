import en from './en/shelf';
import { speaks } from './speaks';

export const t = speaks('shelf', en);
