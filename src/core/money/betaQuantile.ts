import { jStat } from 'jstat';

import type { Risk } from './choices';

/** Quantile of what is known about a chance. */
export const riskQuantile = (r: Risk, q: number): number => jStat.beta.inv(q, r.a, r.b);
