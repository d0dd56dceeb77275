import { said } from '@/words/codes';
import { goTo } from '@/bench-kit/goTo';
import { useMemo, useState } from 'react';

import { clipPlaces } from '@/core/bond/hold';
import { type CureMark } from '@/core/cure/laws';
import { bondPerimeter } from '@/core/device/perimeter';
import type { JobState } from '@/model/fold';
import { useActions } from '@/bench-kit/actions';
import { flushEyeOf } from '@/work/check/flushEye';
import { cureOf } from '@/work/cure/cureJob';
import { useByEye } from '@/bench-kit/ByEye';
import { capital } from '@/words/capital';
import { actionWords } from '@/words/checkNames';
import { cureMarkNames } from '@/words/cureNames';
import { useGoOn } from '@/bench-kit/useGoOn';
import { saveSettings, useSettings } from '@/store/shop';
import { newId } from '@/store/ids';
import { useAlarm } from '@/ui/alarm';
import { eyeWords } from '@/words/eyeWords';
import { placeName } from '@/words/placeNames';
import { clock, span, whereText } from '@/words/units';
import { useNow } from '@/bench-kit/useNow';
import { useVoice } from '@/bench-kit/useVoice';
import { cureCues } from '@/work/voice/cues';
import { cureGlance } from '@/work/voice/glance';
import { cureText, type CureText } from './cureCall';
import { holdWays, type HoldWay } from '@/work/cure/holdWays';
import { t } from '@/words/cure';

export const caution = () => t('clipsWithPaddedJawsNoneOver');

const shortClock = (s: number) => (s < 3600 ? clock(s) : span(s));

/** One mark of a cure clock: when it comes, or that it has. */
function markOf(
  m: CureMark,
  {
    cure,
    start,
    since,
    bonded,
  }: { cure: ReturnType<typeof cureOf>; start: number | null; since: number; bonded: boolean },
) {
  const c = cure.clocks[m];
  const unlock = cure.unlockS[m];
  const reached = start !== null && since >= unlock;
  const other = unlock === c.high ? c.mean : c.high;
  const word = unlock === c.high ? t('usually') : t('atTheLatest2');
  const when =
    start === null
      ? t('after', { other: shortClock(other) })
      : since >= other
        ? t('passed')
        : t('in', { other: shortClock(other - since) });
  return {
    id: m,
    // before it is closed nothing is known of its glue
    value: !bonded ? '–' : start === null ? shortClock(unlock) : reached ? said('now') : shortClock(unlock - since),
    label:
      unlock === c.high
        ? bonded
          ? t('atTheLatest3', { m: cureMarkNames[m], word, when })
          : t('atTheLatest4', { m: cureMarkNames[m] })
        : bonded
          ? t('usually2', { m: cureMarkNames[m], word, when })
          : t('usually3', { m: cureMarkNames[m] }),
    tone: reached ? ('go' as const) : ('ink' as const),
  };
}

/** What is said where a held cover slipped: what the step asks for, or to mark it first. */
const slippedText = (felt: ReturnType<typeof flushEyeOf>['eye'], where: string): CureText =>
  felt && felt.action !== 'accept'
    ? {
        sentence: t('slippedCall', { action: actionWords[felt.action] }),
        reason: t('slippedWhy', { places: capital(where) }),
        tone: 'caution',
      }
    : { sentence: t('slippedFirst'), reason: t('slippedFirstWhy'), tone: 'caution' };

interface MainButton {
  label: string;
  act: (() => void) | undefined;
  why: string | null;
}

/** The one thing to do now. */
function mainOf(
  s: { bonded: boolean; start: number | null; off: boolean; left: number; way: HoldWay; again: boolean },
  does: { clampOn: () => void; clampOff: () => void; goOn: MainButton },
): MainButton {
  if (!s.bonded) return { label: t('clampsOn'), act: undefined, why: t('bondItFirst2') };
  if (s.start === null) return { label: s.way.clips ? t('clampsOn') : t('itIsHeld'), act: does.clampOn, why: null };
  if (!s.off) {
    const early = s.left > 0;
    return {
      label: t('clampsOff'),
      act: early ? undefined : does.clampOff,
      why: early ? t('inLeft', { left: clock(s.left) }) : null,
    };
  }
  if (s.again) return { label: t('clampsOnAgain'), act: does.clampOn, why: null };
  return does.goOn;
}

/** How it stands: what CureStage shows and does. */
export function useCureStage({ job }: { job: JobState }) {
  const settings = useSettings();
  const now = useNow(job.clampOn && job.clampOffAt === null ? 1000 : 10_000, true);
  const { log, decide } = useActions(job);
  const goOn = useGoOn(job, 'cure');
  const path = useMemo(() => bondPerimeter(job.device, job.bond), [job.device, job.bond]);
  // the air changes by the minute at most; the clocks below derive from it and the instant
  const minute = Math.floor(now / 60_000) * 60_000;
  const cure = useMemo(() => cureOf(job, settings, Math.max(minute, job.clampOn?.at ?? 0)), [job, settings, minute]);
  const ways = useMemo(() => holdWays(job, settings, cure), [job, settings, cure]);
  const [full, setFull] = useState(false);
  const [pickedId, setPicked] = useState<HoldWay['id'] | null>(null);
  const way = ways.find((w) => w.id === pickedId) ?? ways[0]!;
  const places = useMemo(
    () => (way.clips ? clipPlaces(path, way.clips.count, job.device, job.face) : []),
    [way.clips, path, job.device, job.face],
  );
  // it slipped: where, on the same places as Check counts with
  const { points, eye: felt, spots } = flushEyeOf(job);
  const slipped = job.clampOffAt !== null && job.cureHeld?.held === false;
  const by = useByEye(job, 'step', points, !slipped);
  const pointPlace = (p: (typeof points)[number]) => placeName(path, p.sMm);
  const start = job.clampOn?.at ?? null;
  const since = start === null ? 0 : (now - start) / 1e3;
  const off = job.clampOffAt !== null;
  const due = start === null ? null : start + cure.unlockS.clampOff * 1e3;
  const left = due === null ? 0 : (due - now) / 1e3;
  const alarm = useAlarm(off ? null : due, now, 'opens', settings.sound && !settings.voice.on);
  useVoice(off || start === null || due === null ? [] : cureCues({ startAt: start, dueAt: due }));
  const bonded = job.bonded !== null;
  const slippedAt = spots
    .map((s) => whereText(eyeWords.step[s.how], pointPlace(points.find((p) => p.id === s.point)!)))
    .join(', ');
  const text = slipped ? slippedText(felt, slippedAt) : cureText(job, cure, way, now, settings);
  const clampOn = () =>
    void log([
      decide({
        call: 'cure',
        inputs: { air: cure.steps[0], bondMm: cure.bondMm, kind: cure.kind },
        computed: { clocks: cure.clocks, ways: ways.map((w) => ({ id: w.id, against: w.against })) },
        chosen: way.id,
        ...(way !== ways[0] ? { because: 'otherWayNoReason' } : {}),
      }),
      // the air of the beginning stands in the log: a figure of the shop that is changed later does not change it
      { type: 'ambient', tempC: job.ambientC ?? settings.roomC, rh: settings.humidity },
      { type: 'clampOn', clip: way.name, count: way.count, forceN: way.forceN },
    ]);
  const clampOff = (early: boolean) => void log([{ type: 'clampOff', early }]);
  const twoEdge = cure.clocks.clampOff.low / cure.edges.low;
  const sayHeld = (held: boolean) => {
    const ratio = (job.clampOffAt! - start!) / 1e3 / twoEdge;
    void log([
      { type: 'cureHeld', held, ratio: Math.min(1000, Math.max(0, ratio)) },
      // the places are marked next, on the plan
      ...(held ? [] : [{ type: 'eye' as const, of: 'step' as const, fine: false, spots: [] }]),
    ]);
    const liquid = job.bonded?.itemId;
    if (cure.kind !== 'tape' && liquid)
      saveSettings({
        ...settings,
        cureSeen: [
          ...settings.cureSeen.slice(-499),
          { id: newId(), at: now, job: job.label, liquid, ratio: Math.min(1000, Math.max(0, ratio)), held, out: false },
        ],
      }).catch(() => setFull(true));
  };
  const main = mainOf(
    { bonded, start, off, left, way, again: slipped && !!felt && felt.action !== 'accept' },
    {
      clampOn,
      clampOff: () => clampOff(false),
      goOn: { label: goTo(job, 'cure'), act: () => goOn(), why: null },
    },
  );
  const shown =
    cure.kind === 'tape'
      ? (['clampOff', 'build', 'handOver', 'sealTest'] as const)
      : (['clampOff', 'handle', 'build', 'handOver'] as const);
  const reading = { cure, start, since, bonded };
  const markReading = (m: CureMark) => markOf(m, reading);
  return {
    glance: off || due === null ? null : cureGlance(now, due),
    job,
    cure,
    way,
    ways,
    settings,
    start,
    short: shortClock,
    now,
    off,
    sayHeld,
    slipped,
    by,
    points,
    pointPlace,
    full,
    alarm,
    main,
    places,
    path,
    text,
    shown,
    markReading,
    left,
    clampOff,
    setPicked,
  };
}
export type CureStageState = ReturnType<typeof useCureStage>;
