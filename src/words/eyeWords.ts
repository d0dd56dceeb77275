import type { EyeOf } from '@/core/fit/byEye';

/** What somebody says who looks and feels: all is well, and the two ways in which a place can be off. */
export const eyeWords: Record<EyeOf, { fine: string; high: string; low: string }> = {
  gap: { fine: 'Even all round', high: 'wide', low: 'tight' },
  step: { fine: 'Flush all round', high: 'proud', low: 'low' },
  seat: { fine: 'Straight all round', high: 'high', low: 'low' },
};
