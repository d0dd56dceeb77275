import en from './en/common';
import { speaks } from './speaks';

export const t = speaks('common', en);
