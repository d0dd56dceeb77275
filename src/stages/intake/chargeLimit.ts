import { commonPractice } from '@/core/source';

/** Charge above which heating asks for a reason. */
export const chargeLimit = commonPractice(35, 'about a third or less before heat');
