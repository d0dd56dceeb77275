import { told } from '@/words/told';
import { capital } from '@/words/capital';
import { lensToleranceMm, matchLenses, pressS } from '@/core/lens/lensSet';
import { goTo } from '@/bench-kit/goTo';
import { buildShare, rate } from '@/core/cure/tapeDwell';
import type { JobState } from '@/model/fold';
import { useActions } from '@/bench-kit/actions';
import { camerasTested, lacking, lensWork } from '@/work/lift/lensCovers';
import { useGoOn } from '@/bench-kit/useGoOn';
import { useSettings } from '@/store/shop';
import { useAlarm, useAwake } from '@/ui/alarm';
import { clock, length, percent, spoken } from '@/words/units';
import { useNow } from '@/bench-kit/useNow';
import { useVoice } from '@/bench-kit/useVoice';
import { pressCues } from '@/work/voice/cues';
import { pressGlance } from '@/work/voice/glance';
import { t } from '@/words/bond';

export const caution = () => t('newLensGlassHasSharpEdges');

/** How it stands: what LensBond shows and does. */
export function useLensBond({ job }: { job: JobState }) {
  const settings = useSettings();
  const now = useNow(250, true);
  const { log } = useActions(job);
  const goOn = useGoOn(job, 'bond');
  const { all, chosen } = lensWork(job);
  const tested = camerasTested(job);
  const state = (bondId: string) => job.lenses.get(bondId);
  const next = lacking(job, chosen, 'set')[0] ?? null;
  const pressed = chosen.find((l) => {
    const s = state(l.bond.id)?.steps;
    return s?.set !== undefined && s.pressed === undefined;
  });
  const setAt = pressed ? state(pressed.bond.id)!.steps.set! : null;
  const leftS = setAt === null ? 0 : pressS.value - (now - setAt) / 1e3;
  const dueAt = setAt === null ? null : setAt + pressS.value * 1e3;
  const alarm = useAlarm(dueAt, now, 'opens', settings.sound && !settings.voice.on);
  useVoice(setAt !== null && dueAt !== null ? pressCues({ setAt, dueAt }) : []);
  useAwake(pressed !== undefined);
  const given = chosen.flatMap((l) => {
    const mm = state(l.bond.id)?.newMm;
    return mm == null ? [] : [{ bondId: l.bond.id, mm }];
  });
  const match = matchLenses(
    chosen.map((l) => ({ bondId: l.bond.id, sizeMm: l.sizeMm })),
    given.map((g) => g.mm),
  );
  const wrong = match.pairs.find((p) => !p.fits) ?? null;
  const sizeOf = (bondId: string) => match.pairs.find((p) => p.bondId === bondId);
  const name = (bondId: string) => chosen.find((l) => l.bond.id === bondId)?.face.name ?? bondId;
  const roomC = job.ambientC ?? settings.roomC;
  const text = !tested
    ? {
        sentence: t('testTheCamerasFirst'),
        reason: t('aNewCoverOverACamera'),
        tone: 'caution' as const,
      }
    : wrong
      ? {
          sentence: t('theNewOneForDoesNot', { bondId: name(wrong.bondId) }),
          reason: t('insteadOfItHasToBe', {
            newMm: length(wrong.newMm, settings, 2),
            oldMm: length(wrong.oldMm, settings, 2),
            value: length(lensToleranceMm.value, settings, 2),
          }),
          tone: 'caution' as const,
        }
      : pressed
        ? leftS > 0
          ? {
              sentence: t('press2', { name: pressed.face.name, leftS: spoken(leftS) }),
              reason: t('flatFingerClothUnderItEven'),
              tone: 'ink' as const,
            }
          : {
              sentence: t('letGo2'),
              reason: t('pressedForAboutOfTheTapes', {
                value: spoken(pressS.value - leftS),
                value2: percent(buildShare((pressS.value - leftS) * rate(roomC))),
              }),
              tone: 'ink' as const,
            }
        : next
          ? {
              sentence: t('setTheNewOne', {
                name: capital(told(next.face.name)),
              }),
              reason: sizeOf(next.bond.id)
                ? t('acrossLensBlownOffLinerOff', { newMm: length(sizeOf(next.bond.id)!.newMm, settings, 2) })
                : t('acrossMeasureItLensBlownOff', { sizeMm: length(next.sizeMm, settings, 2) }),
              tone: 'ink' as const,
            }
          : {
              sentence: t('allCoversAreOn'),
              reason: t('lookAtEachFromTheSide'),
              tone: 'ink' as const,
            };
  const block = !tested ? t('camerasNotTested') : wrong ? t('wrongSize') : null;
  const act = () => {
    if (pressed) void log([{ type: 'lens', bondId: pressed.bond.id, step: 'pressed', done: true }]);
    else if (next) void log([{ type: 'lens', bondId: next.bond.id, step: 'set', done: true }]);
    else goOn([{ type: 'bonded', adhesive: 'precutRing', usedMm: 0, widthMm: job.bond.widthMm }]);
  };
  const label = pressed ? t('pressed') : next ? t('isOn', { name: capital(told(next.face.name)) }) : goTo(job, 'bond');
  const shut = block ?? (pressed && leftS > 0 ? t('pressForMore', { leftS: clock(leftS) }) : null);
  const glance = dueAt === null ? null : pressGlance(now, dueAt);
  return {
    glance,
    log,
    tested,
    wrong,
    job,
    given,
    match,
    chosen,
    pressed,
    leftS,
    all,
    state,
    next,
    alarm,
    now,
    shut,
    act,
    text,
    label,
  };
}
export type LensBondState = ReturnType<typeof useLensBond>;
