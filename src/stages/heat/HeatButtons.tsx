import type { JobState } from '@/model/fold';
import type { Settings } from '@/model/settings';
import { Button } from '@/ui/Button';
import { clock } from '@/words/units';
import { HeatControls } from './HeatControls';
import { Progress } from './HeatParts';
import type { HeatActions } from './useHeatActions';
import type { HeatView } from './useHeatForecast';
import type { HeatPlanNow } from './useHeatPlan';
import { t } from '@/words/heat';

/** The dial while a heat is planned, its progress while it goes on. */
export function HeatDial({
  job,
  settings,
  now: { on, plan, setDraft, wanted },
  view: { f, lift, thermal, liveS },
  offAt,
  at,
}: {
  job: JobState;
  settings: Settings;
  now: HeatPlanNow;
  view: HeatView;
  offAt: number | null;
  at: number;
}) {
  if (!on)
    return (
      <HeatControls
        job={job}
        settings={settings}
        plan={{ ...plan, pickMm: lift.pickMm }}
        step={lift.steps.find((x) => x.edge === lift.nextEdge)}
        ringMm={thermal.path.lengthMm}
        onChange={setDraft}
        wanted={wanted}
      />
    );
  const { readyS, tryFromS, heatStartS } = f;
  if (!readyS) return null;
  const since = (s: number) => clock(s - heatStartS);
  const off = offAt === null ? '' : t('switchesItselfOffIn', { max: clock(Math.max(0, (offAt - at) / 1e3)) });
  return (
    <Progress
      share={(liveS - heatStartS) / Math.max(1, readyS.mean - heatStartS)}
      over={liveS > readyS.high}
      text={t('onForTryFromEasyBy', {
        liveS: since(liveS),
        mean: since((tryFromS ?? readyS).mean),
        mean2: since(readyS.mean),
        high: since(readyS.high),
        off,
      })}
    />
  );
}

/** What the main button counts: down to where it opens, then on from there. */
function untilReady({ f, liveS }: HeatView): string | null {
  if (!f.readyS) return null;
  const left = f.readyS.mean - liveS;
  return left >= 0 ? clock(left) : `+${clock(-left)}`;
}

/** The main thing: lay on, take off, or back from being called away. */
export function HeatMain({
  now: { on, words },
  view,
  act,
  missing,
}: {
  now: HeatPlanNow;
  view: HeatView;
  act: HeatActions;
  missing: string | null;
}) {
  if (view.away) return <Button kind="main" label={t('imBack')} onPress={act.comeBack} />;
  if (on) return <Button kind="main" label={words.off} clock={untilReady(view)} onPress={act.takeOff} />;
  return (
    <Button
      kind="main"
      label={words.on}
      onPress={act.layOn}
      disabled={missing !== null}
      {...(missing ? { why: missing } : {})}
    />
  );
}

/** Beside it: called away, on again when the heater has switched itself off, or straight to the lift. */
export function HeatSide({ on, over, act }: { on: boolean; over: boolean; act: HeatActions }) {
  if (on && over) return <Button label={t('onAgain')} onPress={act.onAgain} />;
  if (on) return <Button label={t('calledAway')} onPress={act.callAway} />;
  return <Button label={t('lift')} onPress={act.toLift} />;
}
