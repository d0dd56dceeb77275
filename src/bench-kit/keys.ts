import { useRouter } from 'expo-router';
import { useEffect } from 'react';

import type { JobState } from '@/model/fold';
import { hasJoints } from '@/model/way';
import { useSettings } from '@/store/shop';
import { isSent, pressMain, releaseMain } from '@/ui/mainButton';
import { useActions } from './actions';
import { stageHref } from './stageHref';
import { t as tr } from '@/words/kit';

export const keyHelp = (): [string, string][] => [
  ['1 ... 9, 0', tr('goToAStage')],
  [tr('space'), tr('mainAction')],
  ['u', tr('undoTheLastEntry')],
  ['n', tr('noteAndLog')],
  ['/', tr('searchJobs')],
  ['b', 'bench'],
  ['?', tr('thisList')],
];

const typing = (t: EventTarget | null) =>
  t instanceof HTMLElement &&
  (t.tagName === 'INPUT' || t.tagName === 'TEXTAREA' || t.getAttribute('role') === 'slider');
const onControl = (t: EventTarget | null) =>
  t instanceof HTMLElement &&
  t !== document.body &&
  (t.tagName === 'BUTTON' || t.tagName === 'A' || t.hasAttribute('role'));

/** The pedal: the main thing of the page that is seen, whatever has the focus. A held key holds what is held. */
export function usePedal(): void {
  const { pedalKey } = useSettings();
  useEffect(() => {
    // a focused control does itself what Space and Enter do, and those are the pedal of who taught none
    const isPedal = (e: KeyboardEvent) =>
      !(isSent(e) || e.ctrlKey || e.metaKey || e.altKey || typing(e.target)) &&
      (e.key === pedalKey || ((e.key === ' ' || e.key === 'Enter') && !onControl(e.target)));
    const down = (e: KeyboardEvent) => {
      if (!isPedal(e)) return;
      e.preventDefault();
      pressMain(e.repeat);
    };
    const up = (e: KeyboardEvent) => {
      if (isPedal(e)) releaseMain();
    };
    window.addEventListener('keydown', down);
    window.addEventListener('keyup', up);
    return () => {
      window.removeEventListener('keydown', down);
      window.removeEventListener('keyup', up);
    };
  }, [pedalKey]);
}

/** Keys of the stage screens: the pedal, and where to go. */
export function useStageKeys(job: JobState, onHelp?: () => void): void {
  const router = useRouter();
  const { undo } = useActions(job);
  usePedal();
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (e.ctrlKey || e.metaKey || e.altKey || typing(e.target)) return;
      const digit = '1234567890'.indexOf(e.key);
      const step = digit >= 0 ? job.way[digit] : undefined;
      if (step) router.replace(stageHref(job.id, step.stage, hasJoints(job) ? step.joint : null));
      else if (e.key === 'u' && job.lastEventId) undo(job.lastEventId);
      else if (e.key === 'n') {
        e.preventDefault();
        router.push(`/jobs/${job.id}/log` as never);
      } else if (e.key === '/') {
        e.preventDefault();
        router.push('/jobs');
      } else if (e.key === '?') onHelp?.();
      else if (e.key === 'b') router.push('/');
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [job, router, undo, onHelp]);
}
