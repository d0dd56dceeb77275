import { isContact } from '@/core/heat/heater';
import type { Heater } from '@/core/heat/heater';
import type { Settings } from '@/model/settings';

/** The settings with one heater changed. */
export const withHeater = (s: Settings, h: Heater): Settings =>
  h.id === s.plate.id && isContact(h)
    ? { ...s, plate: h }
    : { ...s, heaters: s.heaters.map((x) => (x.id === h.id ? h : x)) };
