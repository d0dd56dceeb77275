import { useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { type GestureResponderEvent } from 'react-native';

import { type Shot } from '@/core/camera/shot';
import type { JobState } from '@/model/fold';
import { useActions } from '@/bench-kit/actions';
import { cameraOf, coverEyeOf, lensesOf } from '@/work/check/cameraJob';
import { flareWords, sharpWords } from '@/words/checkNames';
import { useLongRun } from '@/bench-kit/useLongRun';
import { capital } from '@/words/capital';
import { pickFile } from '@/ui/download';
import { refused, type Told } from '@/ui/Message';
import { digits, percent } from '@/words/units';
import { useNow } from '@/bench-kit/useNow';
import { flatInWorker, tappedInWorker, targetInWorker, type FlatResult } from '@/workers/cameraClient';
import { t } from '@/words/check';

type Phase = 'before' | 'after';

/** How a picture is taken and measured. */
function useShots({ job }: { job: JobState }) {
  const now = useNow(30_000);
  const router = useRouter();
  const { log, undo } = useActions(job);
  const lenses = lensesOf(job);
  const [lens, setLens] = useState(lenses[0]?.id ?? 'lens');
  const [phase, setPhase] = useState<Phase>(job.opened ? 'after' : 'before');
  const [file, setFile] = useState<File | null>(null);
  const [url, setUrl] = useState<string | null>(null);
  const [message, setMessage] = useState<Told | null>(null);
  const [taps, setTaps] = useState(0);
  const [shape, setShape] = useState(4 / 3);
  const shots = useLongRun<Shot>();
  const fields = useLongRun<FlatResult>();
  const view = cameraOf(job, lens);
  const mine = job.cameraShots.filter((s) => s.lens === lens);
  useEffect(() => () => (url ? URL.revokeObjectURL(url) : undefined), [url]);

  const takeTarget = async () => {
    const chosen = await pickFile('image/*');
    if (!chosen) return;
    setMessage(null);
    setFile(chosen);
    setTaps(0);
    setUrl(URL.createObjectURL(chosen));
    const shot = await shots.start((tell) => targetInWorker(chosen, tell));
    if (!shot) return;
    await log([
      {
        type: 'cameraShot',
        phase,
        lens,
        edges: shot.edges.map(({ key, mtf50 }) => ({ key, mtf50 })),
        patch: shot.patch,
      },
    ]);
    setMessage({
      text: shot.left.length
        ? t('edgesMeasuredNot', { name: chosen.name, count: shot.edges.length, missed: shot.left.length })
        : t('edgesMeasured', { name: chosen.name, count: shot.edges.length }),
      bad: false,
    });
  };
  const tap = async (e: GestureResponderEvent) => {
    if (!file) return;
    const box = (e.currentTarget as unknown as HTMLElement).getBoundingClientRect();
    const { clientX: x, clientY: y } = e.nativeEvent as unknown as MouseEvent;
    const key = `tap${taps + 1}`;
    try {
      const edge = await tappedInWorker(file, [(x - box.left) / box.width, (y - box.top) / box.height], key).result;
      setTaps(taps + 1);
      await log([{ type: 'cameraShot', phase, lens, edges: [{ key, mtf50: edge.mtf50 }], patch: null }]);
      setMessage({
        text: t('edgeHalfContrastAtCyclesPer2', { taps: taps + 1, figure: digits(edge.mtf50, 3) }),
        bad: false,
      });
    } catch (err) {
      setMessage(refused(err instanceof Error ? err.message : t('notMeasured')));
    }
  };
  const takeField = async () => {
    const chosen = await pickFile('image/*');
    if (!chosen) return;
    setMessage(null);
    const r = await fields.start((tell) => flatInWorker(chosen, tell));
    if (!r) return;
    const count = (kind: 'dark' | 'bright') => r.specks.filter((s) => s.kind === kind).length;
    await log([
      {
        type: 'flatShot',
        phase,
        lens,
        dark: count('dark'),
        bright: count('bright'),
        deepest: Math.min(1, Math.max(0, ...r.specks.map((s) => Math.abs(s.peak)))),
      },
    ]);
    setMessage({
      text: r.specks.length
        ? r.specks.length === 1
          ? t('speckTheStrongest', {
              name: chosen.name,
              n: r.specks.length,
              peak: percent(Math.abs(r.specks[0]!.peak)),
            })
          : t('specksTheStrongest', {
              name: chosen.name,
              count: r.specks.length,
              peak: percent(Math.abs(r.specks[0]!.peak)),
            })
        : t('noSpeckSeen', { name: chosen.name }),
      bad: false,
    });
  };
  return {
    view,
    mine,
    shots,
    fields,
    job,
    lens,
    undo,
    takeTarget,
    takeField,
    url,
    tap,
    shape,
    setShape,
    lenses,
    setLens,
    phase,
    setPhase,
    now,
    router,
    message,
  };
}

/** How it stands: what CameraScreen shows and does. */
export function useCameraScreen(p: { job: JobState }) {
  const so = useShots(p);
  const { view, mine, shots, fields } = so;
  const { sharp, flare } = view;
  // the later of eye and gauge counts
  const { seen } = coverEyeOf(p.job);
  const eyeAt = seen ? p.job.eyes.cover!.loggedAt : -Infinity;
  const byEye = seen !== null && eyeAt > (p.job.coverSeats[so.lens]?.loggedAt ?? -Infinity);
  const measured = view.seat?.seated == null ? null : view.seat.seated && view.seat.concentric;
  const sits = byEye ? seen.every((s) => s.action === 'accept') : measured;
  const bad =
    sharp?.verdict === 'clearLoss' || sharp?.verdict === 'someLoss' || flare?.verdict === 'added' || sits === false;
  const text = sharp
    ? {
        sentence: `${capital(sharpWords[sharp.verdict])}${flare ? `, ${flareWords[flare.verdict]}` : ''}.`,
        reason: bad
          ? t('lookAtLensAndCoverAt')
          : t('sharpnessAfterAgainstBeforeTo', {
              figure: digits(sharp.ratio, 2),
              figure2: digits(sharp.low, 2),
              figure3: digits(sharp.high, 2),
            }),
      }
    : {
        sentence: mine.some((s) => s.phase === 'before') ? t('nowAPictureThroughTheNew') : t('aPictureOfTheTarget'),
        reason: t('takenWithTheDeviceItselfAnd'),
      };
  const problem = shots.problem ?? fields.problem;
  return { ...so, sits, byEye, sharp, flare, text, bad, problem };
}
export type CameraScreenState = ReturnType<typeof useCameraScreen>;
