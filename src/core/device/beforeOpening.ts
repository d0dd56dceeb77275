import type { Device, Part } from './types';

/** What comes out from outside before any heat, besides the card tray. Left in, it blocks or melts. Common practice. */
export function outsideOf(device: Pick<Device, 'outside'>): { what: 'screws' | 'stylus'; count: number }[] {
  const { screws = 0, stylus = false } = device.outside ?? {};
  return [
    ...(screws > 0 ? [{ what: 'screws' as const, count: screws }] : []),
    ...(stylus ? [{ what: 'stylus' as const, count: 1 }] : []),
  ];
}

/** Parts that are paired with their board: broken, nobody can replace them. */
export const boundOf = (device: Pick<Device, 'parts'>): Part[] => device.parts.filter((p) => p.bound === true);
