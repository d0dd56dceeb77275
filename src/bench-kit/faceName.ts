import { coverKindOf } from '@/core/device/coverKinds';
import { faceOf } from '@/core/device/perimeter';
import type { Device } from '@/core/device/types';
import { t } from '@/words/kit';
import { told } from '@/words/told';

/** The face that a joint holds, as a bench calls it: back, front, lens covers, or by its own name where there are two alike. */
export function faceName(device: Device, bondId: string): string {
  const bond = device.bonds.find((b) => b.id === bondId);
  if (!bond) return bondId;
  const face = faceOf(device, bond);
  if (coverKindOf(face).lens) return t('faceLens');
  const alike = device.faces.filter((f) => f.side === face.side && !coverKindOf(f).lens);
  if (alike.length > 1) return told(face.name);
  return face.side === 'front' ? t('faceFront') : t('faceBack');
}
