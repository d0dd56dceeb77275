import { outsideOf } from '@/core/device/beforeOpening';
import type { Device } from '@/core/device/types';
import { t } from './intake';
import { listed } from './units';

/** "2 outer screws and the stylus". */
export const outsideText = (device: Pick<Device, 'outside'>): string =>
  listed(outsideOf(device).map((o) => (o.what === 'screws' ? t('outerScrews', { count: o.count }) : t('theStylus'))));
