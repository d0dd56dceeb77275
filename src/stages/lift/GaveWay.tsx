import { useState } from 'react';
import { View } from 'react-native';

import { adhesiveRecord } from '@/core/adhesives';
import { coverOf } from '@/core/device/perimeter';
import { observedLimits, scaleU } from '@/core/lift/scale';
import { liftThresholds } from '@/core/lift/verdict';
import type { Range } from '@/core/source';
import type { Seen } from '@/model/settings';
import type { JobState } from '@/model/fold';
import { useActions } from '@/bench-kit/actions';
import { seenOf, shopAdhesive } from '@/work/heat/shopAdhesive';
import type { LiftState } from '@/work/heat/thermalJob';
import { newId } from '@/store/ids';
import { saveSettings, useSettings } from '@/store/shop';
import { nowMs } from '@/store/clock';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { NumberField } from '@/ui/NumberField';
import { Txt } from '@/ui/Txt';
import { digits as inDigits, lengthValue, temp, tempNumber, typedToC, typedToMm } from '@/words/units';
import { t } from '@/words/lift';

const familyOf = (o: Seen) => adhesiveRecord(o.adhesive).name;

interface GaveWayProps {
  job: JobState;
  lift: Pick<LiftState, 'case'>;
  arcC: Range;
}

/** What was seen of the glue, and what it makes of it in this shop. */
function useGaveWay({ job, lift, arcC }: GaveWayProps) {
  const settings = useSettings();
  const units = settings;
  const { log } = useActions(job);
  const [gave, setGave] = useState<'yes' | 'no'>('yes');
  const [lifted, setLifted] = useState<number | null>(null);
  const [typedC, setTypedC] = useState<number | null>(null);
  const [last, setLast] = useState<{ seen: Seen; before: string; after: string } | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [loC, hiC] = observedLimits.tC;
  const tC = typedC ?? Math.min(hiC, Math.max(loC, Math.round(arcC.mean)));
  const family = job.bond.adhesive;
  const now = shopAdhesive(settings, family);
  const describe = (s: typeof settings) => {
    const adhesive = shopAdhesive(s, family);
    const { value, u } = adhesive.debond.scale;
    const { easyC } = liftThresholds({ ...lift.case, adhesive });
    return u === undefined
      ? easyC === null
        ? t('neverEasy', { figure: inDigits(value, 2) })
        : t('easyFrom', { figure: inDigits(value, 2), easyC: temp(easyC, units) })
      : easyC === null
        ? t('neverEasy2', { figure: inDigits(value, 2), figure2: inDigits(u, 2) })
        : t('easyFrom2', { figure: inDigits(value, 2), figure2: inDigits(u, 2), easyC: temp(easyC, units) });
  };
  const save = async () => {
    if (lifted === null) return;
    const liftMm = lifted;
    const seen: Seen = {
      id: newId(),
      at: nowMs(),
      job: job.label,
      adhesive: family,
      gave: gave === 'yes',
      liftMm,
      tC,
      // the model's own range where its temperature was taken, else what a hand-typed one is worth
      uK: typedC === null ? Math.max(1, (arcC.high - arcC.low) / 4) : scaleU.temperature.value,
      hMm: lift.case.hMm,
      ringMm: lift.case.ringMm,
      fullArea: lift.case.fullArea,
      cover: coverOf(job.device, job.bond).strength,
      out: false,
    };
    const next = { ...settings, seen: [...settings.seen, seen].slice(-500) };
    try {
      await saveSettings(next);
      setProblem(null);
    } catch {
      return setProblem(t('thisBrowserHasNoRoomLeft'));
    }
    void log([{ type: 'observed', what: gave === 'yes' ? 'gaveWay' : 'grips', liftMm, modelC: tC }]);
    setLast({ seen, before: describe(settings), after: describe(next) });
  };
  const takeOut = () => {
    if (!last) return;
    void saveSettings({
      ...settings,
      seen: settings.seen.map((o) => (o.id === last.seen.id ? { ...o, out: true } : o)),
    });
    setLast(null);
  };
  return {
    ...{ units, gave, setGave, lifted, setLifted, setTypedC, last, problem, loC, hiC, tC },
    ...{ now, said: describe(settings), seen: seenOf(settings, family).length, save, takeOut },
  };
}

/** "It gave way at 0.4 mm at about 95 °C": adjusts this adhesive in this shop; shown, with its uncertainty, and reversible. */
export function GaveWay(p: GaveWayProps) {
  const {
    seen,
    units,
    gave,
    setGave,
    lifted,
    setLifted,
    setTypedC,
    last,
    problem,
    loC,
    hiC,
    tC,
    now,
    said,
    save,
    takeOut,
  } = useGaveWay(p);
  return (
    <Disclosure title={t('itGaveWayOrItDid')}>
      <Txt size="s" className="mb-2" testID="scale">
        {t('inThisShop', {
          name: now.name,
          settings: said,
          seen: seen ? t('seenSoFar', { count: seen }) : t('seenNothing'),
        })}
      </Txt>
      <Choice
        label={t('atThisLiftTheGlue')}
        value={gave}
        options={[
          { id: 'yes', name: t('gaveWay') },
          { id: 'no', name: t('didNotGive') },
        ]}
        onChange={setGave}
      />
      <View className="flex-row gap-4">
        <View className="flex-1">
          <NumberField
            label={t('lift')}
            unit={units.length}
            low={lengthValue(observedLimits.liftMm[0], units, 2)}
            high={lengthValue(observedLimits.liftMm[1], units, 2)}
            digits={units.length === 'mm' ? 2 : 3}
            value={lifted === null ? null : lengthValue(lifted, units, 2)}
            onCommit={(v) => setLifted(typedToMm(v, units))}
          />
        </View>
        <View className="flex-1">
          <NumberField
            label={t('glueAtAbout')}
            unit={`°${units.temperature}`}
            low={tempNumber(loC, units)}
            high={tempNumber(hiC, units)}
            value={tempNumber(tC, units)}
            onCommit={(v) => setTypedC(typedToC(v, units))}
          />
        </View>
      </View>
      <Button
        kind="small"
        label={t('adjustWithIt', { name: now.name })}
        onPress={() => void save()}
        disabled={lifted === null}
        {...(lifted === null ? { why: t('howFarDidYouLift') } : {})}
      />
      {problem ? (
        <View role="alert">
          <Txt size="s" tone="caution">
            {problem}
          </Txt>
        </View>
      ) : null}
      {last ? (
        <View role="status" className="mt-2">
          <Txt size="s">{t('beforeNow', { seen: familyOf(last.seen), before: last.before, after: last.after })}</Txt>
          <Button kind="small" label={t('takeItBack')} onPress={takeOut} />
        </View>
      ) : null}
    </Disclosure>
  );
}
