import { listed } from '@/words/units';
import type { Device } from '@/core/device/types';
import { t } from '@/words/shelf';
import { told } from '@/words/told';

const words = {
  get ringGlass() {
    return t('glassOnARing2');
  },
  get ringPlastic() {
    return t('plasticOnARing2');
  },
  get fullGlass() {
    return t('glassGluedAllOver2');
  },
  clipped: 'clips',
  get lensInRing() {
    return t('lensCoversInRings');
  },
  get frameLens() {
    return t('lensGlassInAFrame2');
  },
};

/** What a model is, in a line: whose, of which kind, how it is held, how it opens. */
export function modelLine(device: Device, own: boolean): string {
  const front = device.faces.some((f) => f.id === device.insideThrough && f.side === 'front');
  const what = {
    part: own ? t('ownVersion', { version: device.version }) : t('shipped'),
    kind: told(device.kind),
    list: listed([...new Set(device.faces.map((f) => words[f.construction]))]),
  };
  if (device.leaves.length > 1) return front ? t('twoHalvesOpensFromTheFront', what) : t('twoHalves', what);
  return front ? t('opensFromTheFront', what) : `${what.part} · ${what.kind} · ${what.list}`;
}
