import { useEffect, useRef, useState } from 'react';
import { Pressable, useWindowDimensions, View } from 'react-native';

import type { EdgeId } from '@/core/device/types';
import { depthLimitAt, edgeWindows } from '@/core/lift/depth';
import type { PracticeRun } from '@/store/practice';
import { useSettings } from '@/store/shop';
import { TempField } from '@/ui/QuantityField';
import { Txt } from '@/ui/Txt';
import { reached } from '@/core/practice/goal';
import { edgeName } from '@/words/placeNames';
import { t } from '@/words/practice';
import { defaultPickMm } from '@/core/lift/verdict';
import { lensBladeMm } from '@/work/lift/lensJob';
import { EdgeChoice } from './EdgeChoice';
import { happenedText } from './happenedText';
import { HandsPanel } from './HandsPanel';
import { PickStrip } from './PickStrip';
import type { Lab } from './useLab';
import { useStretches } from './useStretches';

/** A hand pulls harder by so much a second of its own. */
const newtonsPerS = 15;
const pullMs = 250;

const serious: ReadonlySet<string> = new Set(['broke', 'hurt', 'flash']);

/** Hands on the made-up device: a cup to pull, a pick to push; what comes of it is told, not what is true. */
export function Hands({
  run,
  lab,
  stage,
  alone = true,
}: {
  run: PracticeRun;
  lab: Lab;
  stage: string;
  /** no other device has to be done before it is over */
  alone?: boolean;
}) {
  const { width } = useWindowDimensions();
  const { state, happened, refused, lab: on } = lab;
  const [edge, setEdge] = useState<EdgeId | null>(null);
  if (!on || !state) return null;
  const { bench, gapMm, firstEdge, goal } = on;
  const shown = edge ?? firstEdge.edge;
  const { lens, path } = bench.about;
  const span = lens ? { fromMm: 0, toMm: path.lengthMm } : path.edgeSpan(shown);
  const over = state.broke !== null || state.flash || state.free || reached(goal, state, firstEdge);
  const offs = run.acts.filter((a) => a.action.kind === 'off').length;
  const asked = offs > run.guesses.length;
  const last = refused ?? happened.findLast((h) => happenedText(h) !== null) ?? null;
  const text =
    run.speed === 0 && !over
      ? t('timeStands')
      : last
        ? happenedText(last)
        : lens
          ? t('dragTheBlade')
          : t('dragThePick');
  return (
    <HandsPanel
      stage={stage}
      open={stage === 'lift' || over}
      text={text}
      serious={last !== null && serious.has(last.what)}
      ended={over || state.hurt.length ? (alone ? 'over' : 'soFar') : null}
    >
      {over || run.way === 'guided' || !asked ? null : <Guess onGuess={(tC) => lab.guess(tC)} />}
      {over ? null : (
        <>
          {lens ? null : (
            <View className="flex-row flex-wrap gap-2 mt-2">
              <Cup onPull={(forceN, dtS) => lab.act({ kind: 'pull', sMm: gapMm, forceN }, dtS)} speed={run.speed} />
              <EdgeChoice shown={shown} onEdge={setEdge} />
            </View>
          )}
          <Pick key={shown} run={run} lab={lab} edge={shown} span={span} width={Math.min(900, width - 32)} />
        </>
      )}
    </HandsPanel>
  );
}

/** Held, it pulls harder and harder; a key does the same. */
function Cup({ onPull, speed }: { onPull: (forceN: number, dtS: number) => void; speed: number }) {
  const [forceN, setForce] = useState(0);
  const timer = useRef<ReturnType<typeof setInterval> | null>(null);
  const latest = useRef(onPull);
  useEffect(() => {
    latest.current = onPull;
  });
  const stop = () => {
    if (timer.current) clearInterval(timer.current);
    timer.current = null;
    setForce(0);
  };
  useEffect(() => stop, []);
  const begin = () => {
    if (timer.current || speed === 0) return;
    let force = 0;
    timer.current = setInterval(() => {
      force += (newtonsPerS * pullMs) / 1e3;
      setForce(force);
      latest.current(force, (pullMs / 1e3) * Math.max(1, speed));
    }, pullMs);
  };
  return (
    <Pressable
      role="button"
      aria-label={t('cup')}
      onPressIn={begin}
      onPressOut={stop}
      {...({
        onKeyDown: (e: { key: string; repeat: boolean }) => (e.key === ' ' && !e.repeat ? begin() : undefined),
        onKeyUp: stop,
      } as object)}
      className={`min-h-touch px-3 items-center justify-center rounded-card border-[1.5px] border-ink ${forceN ? 'bg-ink' : 'bg-panel'}`}
    >
      <Txt strong tone={forceN ? 'onInk' : 'ink'}>
        {forceN ? t('cupHeld', { n: Math.round(forceN) }) : t('cup')}
      </Txt>
    </Pressable>
  );
}

function Pick({
  run,
  lab,
  edge,
  span,
  width,
}: {
  run: PracticeRun;
  lab: Lab;
  edge: EdgeId;
  span: { fromMm: number; toMm: number };
  width: number;
}) {
  const [pick, setPick] = useState<{ sMm: number; depthMm: number } | null>(null);
  const { bench } = lab.lab!;
  const { path, device, bond, outs, lens } = bench.about;
  // round a lens cover it is the same everywhere
  const window = lens
    ? { needMm: lens.needMm, closed: [] }
    : edgeWindows(device, bond, outs).find((w) => w.edge === edge)!;
  const told = run.way !== 'alone';
  const pickMm = lens
    ? lensBladeMm.value
    : (run.events.findLast((e) => e.type === 'heatPlan')?.pickMm ?? defaultPickMm);
  const dragged = useStretches(run.speed, (before, sMm, depthMm, dtS) =>
    lab.act({ kind: 'push', sMm: path.wrap(before), depthMm, speedMmS: (sMm - before) / dtS, pickMm }, dtS),
  );
  const push: typeof dragged = (sMm, depthMm, phase) => {
    setPick({ sMm, depthMm });
    dragged(sMm, depthMm, phase);
  };
  const cut = lab.state!.cut.free.flatMap((f) =>
    [-path.lengthMm, 0, path.lengthMm]
      .map((d) => ({ fromMm: f.fromMm + d, toMm: f.toMm + d }))
      .filter((f2) => f2.toMm > span.fromMm && f2.fromMm < span.toMm),
  );
  const at = pick?.sMm ?? (span.fromMm + span.toMm) / 2;
  return (
    <PickStrip
      label={lens ? t('bladeStrip') : t('pickStrip', { edge: edgeName(edge) })}
      deepestMm={lens ? 5 : 12}
      width={width}
      fromMm={span.fromMm}
      toMm={span.toMm}
      cut={cut}
      needMm={told ? window.needMm : null}
      limitMm={told ? depthLimitAt(path, bond, outs, path.wrap(at)).limitMm : null}
      closed={told ? window.closed : []}
      pick={pick}
      onMove={push}
    />
  );
}

/** What somebody believes the line to be, before the truth is told. */
function Guess({ onGuess }: { onGuess: (tC: number) => void }) {
  const settings = useSettings();
  return <TempField label={t('guessNow')} units={settings} lowC={15} highC={150} valueC={null} onC={onGuess} />;
}
