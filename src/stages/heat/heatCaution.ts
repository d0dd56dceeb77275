import { t } from '@/words/heat';
/** Stands at every heat. */
export const heatCaution = () => t('hotToolsGlovesAndEyeCover');
