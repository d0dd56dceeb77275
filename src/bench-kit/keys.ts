import { useRouter } from 'expo-router';
import { useEffect } from 'react';

import type { JobState } from '@/model/fold';
import { hasJoints } from '@/model/way';
import { useSettings } from '@/store/shop';
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

/** Keys of the stage screens. Space acts only when no control has the focus, so that it never fires twice. */
export function useStageKeys(job: JobState, onMain?: () => void, onHelp?: () => void): void {
  const router = useRouter();
  const { undo } = useActions(job);
  const { pedalKey } = useSettings();
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (e.ctrlKey || e.metaKey || e.altKey || typing(e.target)) return;
      // a taught key works wherever the focus is; what a focused control does itself is not done twice
      const presses = e.key === ' ' || e.key === 'Enter';
      const main = onMain && (e.key === pedalKey || presses) && !(presses && onControl(e.target));
      if (main) {
        e.preventDefault();
        onMain();
        return;
      }
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
  }, [job, router, undo, onMain, onHelp, pedalKey]);
}
