import { z } from 'zod';

import '../zodConfig';

export const instant = z.number().int().min(0).max(8.64e15);
export const id = z.string().min(1).max(80);
export const text = z.string().max(2000);
export const edge = z.enum(['bottom', 'left', 'top', 'right']);
export const mm = (low: number, high: number) => z.number().min(low).max(high);
/** a place on a face, in the frame of somebody who looks at it */
export const place = z.tuple([mm(-100, 500), mm(-100, 500)]);
/** a part of the ring, from s to s */
export const stretch = { fromMm: mm(-5000, 5000), toMm: mm(-5000, 10000) };
