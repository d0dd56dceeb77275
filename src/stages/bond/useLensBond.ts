import { lensToleranceMm, matchLenses, pressS } from '@/core/lens/lensSet';
import { buildShare, rate } from '@/core/cure/tapeDwell';
import type { JobState } from '@/model/fold';
import { useActions } from '@/bench-kit/actions';
import { camerasTested, lacking, lensWork } from '@/work/lift/lensJob';
import { useGoOn } from '@/bench-kit/useGoOn';
import { useSettings } from '@/store/shop';
import { useAlarm, useAwake } from '@/ui/alarm';
import { clock, length, percent } from '@/words/units';
import { useNow } from '@/bench-kit/useNow';

export const caution =
  'New lens glass has sharp edges: gloves, by the rim only. Nothing on the lens under it: blow it off just before.';

/** How it stands: what LensBond shows and does. */
export function useLensBond({ job }: { job: JobState }) {
  const settings = useSettings();
  const now = useNow(250);
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
  const alarm = useAlarm(dueAt, now, 'opens', settings.sound);
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
        sentence: 'Test the cameras first.',
        reason: 'A new cover over a camera that fails has to come off again. The tests are on Lift.',
        tone: 'caution' as const,
      }
    : wrong
      ? {
          sentence: `The new one for ${name(wrong.bondId)} does not fit.`,
          reason: `${length(wrong.newMm, settings, 2)} instead of ${length(wrong.oldMm, settings, 2)}; within ${length(lensToleranceMm.value, settings, 2)} is asked for.`,
          tone: 'caution' as const,
        }
      : pressed
        ? leftS > 0
          ? {
              sentence: `Press ${pressed.face.name}: ${clock(leftS)}.`,
              reason: 'Flat finger, cloth under it, even. Not on the display side.',
              tone: 'ink' as const,
            }
          : {
              sentence: 'Let go.',
              reason: `Pressed for ${clock(pressS.value - leftS)}: about ${percent(buildShare((pressS.value - leftS) * rate(roomC)))} of the tape’s bond; the rest comes in hours.`,
              tone: 'ink' as const,
            }
        : next
          ? {
              sentence: `${next.face.name[0]!.toUpperCase()}${next.face.name.slice(1)}: set the new one.`,
              reason: `${sizeOf(next.bond.id) ? `${length(sizeOf(next.bond.id)!.newMm, settings, 2)} across` : `${length(next.sizeMm, settings, 2)} across, measure it`}. Lens blown off, liner off, straight down.`,
              tone: 'ink' as const,
            }
          : {
              sentence: 'All covers are on.',
              reason: 'Look at each from the side: flush, no bubble, no lint.',
              tone: 'ink' as const,
            };
  const block = !tested ? 'cameras not tested' : wrong ? 'wrong size' : null;
  const act = () => {
    if (pressed) void log([{ type: 'lens', bondId: pressed.bond.id, step: 'pressed', done: true }]);
    else if (next) void log([{ type: 'lens', bondId: next.bond.id, step: 'set', done: true }]);
    else goOn([{ type: 'bonded', adhesive: 'precutRing', usedMm: 0, widthMm: job.bond.widthMm }]);
  };
  const label = pressed
    ? 'Pressed'
    : next
      ? `${next.face.name[0]!.toUpperCase()}${next.face.name.slice(1)} is on`
      : 'Go to cure';
  const shut = block ?? (pressed && leftS > 0 ? `press for ${clock(leftS)} more` : null);
  return { job, given, match, chosen, pressed, leftS, all, state, next, alarm, now, shut, act, text, label };
}
export type LensBondState = ReturnType<typeof useLensBond>;
