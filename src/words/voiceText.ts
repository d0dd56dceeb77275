import type { Settings } from '@/model/settings';
import type { CueSay } from '@/work/voice/cues';
import type { Glance } from '@/work/voice/glance';
import { capital } from './capital';
import { edgeName } from './placeNames';
import { t } from './voice';
import { length } from './units';

/** What is said aloud: short, and understood without looking. */
export function cueText(c: CueSay, units: Pick<Settings, 'length' | 'temperature'>): string {
  switch (c.say) {
    case 'inSeconds':
      return t('inSeconds', { count: c.count });
    case 'heatOff':
      return c.edge ? t('heatOffEdge', { edge: capital(edgeName(c.edge)) }) : t('heatOff');
    case 'edgeNext':
      return t('edgeNext', { edge: capital(edgeName(c.edge)), depth: length(c.depthMm, units, 0) });
    default:
      return t(plain[c.say]);
  }
}

const plain = {
  tooLong: 'tooLong',
  heaterStops: 'heaterStops',
  airOff: 'airOff',
  slow: 'slow',
  gripsSoon: 'gripsSoon',
  reheat: 'reheat',
  allFree: 'allFree',
  closeSoon: 'closeSoon',
  closeNow: 'closeNow',
  tooLate: 'tooLate',
  letGo: 'letGo',
  clampsOff: 'clampsOff',
} as const satisfies Record<Exclude<CueSay['say'], 'inSeconds' | 'heatOff' | 'edgeNext'>, string>;

const words = {
  wait: 'glanceWait',
  off: 'glanceOff',
  tooLong: 'glanceTooLong',
  go: 'glanceGo',
  slow: 'glanceSlow',
  reheat: 'glanceReheat',
  stop: 'glanceStop',
  press: 'glancePress',
  letGo: 'glanceLetGo',
  close: 'glanceClose',
  tooLate: 'glanceTooLate',
  clamped: 'glanceClamped',
  clampsOff: 'glanceClampsOff',
  done: 'glanceDone',
} as const satisfies Record<Glance['word'], string>;

/** One word over the whole screen. */
export const glanceWord = (g: Glance['word']): string => t(words[g]);

export const glanceUi = () => ({
  open: t('glance'),
  close: t('tapToClose'),
  said: (word: string, left: string) => (left ? t('glanceSaid', { word, left }) : word),
});
