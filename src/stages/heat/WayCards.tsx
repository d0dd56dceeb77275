import { Suspense } from 'react';
import { View } from 'react-native';

import type { WayResult } from '@/core/heat/ways';
import type { Watched } from '@/core/heat/member';
import { placeName } from '@/words/placeNames';
import { useRoom } from '@/bench-kit/pageRoom';
import { watchMarks } from '@/work/heat/watchMarks';
import { Button } from '@/ui/Button';
import { Plot } from '@/ui/chart/LazyPlot';
import { MarkBar, ScaleBar } from '@/ui/multiples/bars';
import { MultipleCard, Multiples, useCardRoom } from '@/ui/multiples/Multiples';
import { Txt } from '@/ui/Txt';
import { useWide } from '@/ui/useWide';
import { clock, dial, tempNumber, toF } from '@/words/units';
import { told } from '@/words/told';
import { t } from '@/words/heat';
import { FieldThumb } from './FieldThumb';
import { overText, type ListedWay } from './ways';
import type { WaysReadyState } from './useWaysReady';

export const watched: readonly { id: Watched; name: string }[] = [
  { id: 'battery', name: 'battery' },
  { id: 'camera', name: 'camera' },
  { id: 'display', name: 'display' },
  { id: 'cover', name: 'back' },
];
/** Room temperature, about: where the bars begin. */
const coldC = 20;

/** What all the cards are drawn to: one scale of time, and one of temperature for each thing that is watched. */
export function waysScale(
  results: readonly WayResult[],
  marks: ReturnType<typeof watchMarks>,
): { toS: number; toC: Record<Watched, number> } {
  const ends = results.map((r) => r.readyS?.high ?? r.tryFromS?.high ?? 0).filter(Number.isFinite);
  return {
    // whole minutes, so that the axis ends on a round one
    toS: Math.max(120, Math.ceil(Math.max(0, ...ends) / 60) * 60),
    toC: Object.fromEntries(
      watched.map(({ id }) => [
        id,
        Math.max((marks[id]?.stopC ?? 90) * 1.1, ...results.map((r) => r[id]?.peakC.high ?? 0)),
      ]),
    ) as Record<Watched, number>,
  };
}

const noteOf = (preheated: boolean, best: boolean, setC: string) =>
  preheated
    ? best
      ? t('theGentlest', { setC })
      : setC
    : best
      ? t('fromColdTheGentlest', { setC })
      : t('fromCold', { setC });

function Times({ r, toS }: { r: WayResult; toS: number }) {
  const ready = r.readyS;
  const from = r.tryFromS?.mean ?? ready?.mean ?? null;
  return (
    <>
      <Txt num strong size="l">
        {ready ? `${clock(from!)}–${clock(ready.mean)}` : r.tryFromS ? t('slowOnly') : t('never')}
      </Txt>
      <Txt size="s" tone="ink2">
        {ready
          ? t('tryFromEasyByLatest', { high: clock(ready.high) })
          : r.tryFromS
            ? t('worksSlowlyFromNeverEasy', { mean: clock(r.tryFromS.mean) })
            : t('doesNotGetTheFirstEdge')}
      </Txt>
      <ScaleBar
        to={toS / 60}
        unit="min"
        parts={
          from === null
            ? []
            : [
                { from: from / 60, to: (ready?.mean ?? toS) / 60, look: 'hollow' },
                ...(ready ? [{ from: ready.mean / 60, to: ready.high / 60, look: 'full' as const }] : []),
              ]
        }
      />
    </>
  );
}

/** The ways as pictures at the instant when each opens, gentle first, all to the same scales. */
export function WayCards({
  here: { order, listed, pick, best, thermal, lift, job, units, setChosen, waiting, failed, answers },
}: {
  here: WaysReadyState;
}) {
  const room = useCardRoom();
  const marks = watchMarks(job);
  const { toS, toC } = waysScale(order, marks);
  const nameOf = (r: WayResult): ListedWay => listed.find((l) => l.way.id === r.id)!;
  return (
    <>
      <Multiples label={t('waysOfHeatingGentlestFirst')}>
        {order.map((r) => {
          const l = nameOf(r);
          return (
            <MultipleCard
              key={r.id}
              label={`${told(l.name)}, ${dial(r.setC)}`}
              title={told(l.name)}
              note={noteOf(l.way.preheated, r.id === best?.id, dial(r.setC))}
              on={r.id === pick}
              onPress={() => setChosen(r.id)}
            >
              <FieldThumb
                job={job}
                raster={thermal.model.modes.picture}
                fieldC={r.picture.fieldC}
                easyC={lift.easyC}
                width={room}
                height={Math.min(220, room * 1.5)}
              />
              <Times r={r} toS={toS} />
              {watched.map(({ id, name }) => {
                const e = r[id];
                return e ? (
                  <MarkBar
                    key={id}
                    name={told(name)}
                    value={e.peakC.high}
                    text={`${tempNumber(e.peakC.high, units)}°`}
                    from={coldC}
                    to={toC[id]}
                    caution={marks[id]?.cautionC}
                    stop={marks[id]?.stopC}
                  />
                ) : null;
              })}
              {r.easyForS ? (
                <Txt size="s" tone="ink2">
                  {t('thenEasyFor', { mean: clock(r.easyForS.mean) })}
                </Txt>
              ) : null}
              {r.over.length ? (
                <Txt size="s" strong tone="caution">
                  {overText(r)}
                </Txt>
              ) : null}
            </MultipleCard>
          );
        })}
        {waiting.map((l) => (
          <View
            key={l.way.id}
            className="rounded-card border border-dashed border-rule px-3 py-2"
            style={{ width: room + 22 }}
          >
            <Txt size="s" tone="ink2">
              {failed.has(l.way.id)
                ? t('notWorkedOutSoNobodyKnows', { name: l.name })
                : t('workingItOut2', { name: l.name })}
            </Txt>
          </View>
        ))}
      </Multiples>
      <Txt size="s" tone="ink2">
        {t('eachPictureIsWhenItOpens', { easyC: lift.easyC === null ? '–' : `${tempNumber(lift.easyC, units)}°` })}
      </Txt>
      {failed.size ? (
        <Button
          kind="small"
          label={t('workItOutAgain')}
          onPress={() => answers.forEach((a) => (a.isError ? void a.refetch() : undefined))}
        />
      ) : null}
    </>
  );
}

const dashes = [[], [8, 4], [2, 4], [12, 3, 2, 3], [4, 4], [16, 6]];

/** How warm the first edge gets, each way a line. */
export function WaysChart({ here: { order, listed, pick, lift, units } }: { here: WaysReadyState }) {
  const wide = useWide();
  const room = useRoom();
  const shown = order.filter((r, i) => r.id === pick || i < 5);
  const n = Math.max(0, ...shown.map((r) => r.picture.firstC.length));
  if (n < 2) return null;
  const toUnit = (c: number) => (units.temperature === 'C' ? c : toF(c));
  const stepS = shown[0]!.picture.stepS;
  return (
    <Suspense fallback={<View style={{ height: 280 }} />}>
      <Plot
        label={t('firstEdgeByEachWay')}
        width={room}
        height={wide ? 240 : 200}
        x={{ at: Array.from({ length: n }, (_, i) => i * stepS), kind: 'span', name: t('timeOnIt'), text: clock }}
        y={{ name: t('firstEdgeIn', { unit: units.temperature }), text: (v) => `${Math.round(v)}°` }}
        lines={shown.map((r, i) => ({
          id: r.id,
          name: told(listed.find((l) => l.way.id === r.id)!.name),
          y: Array.from({ length: n }, (_, k) => (k < r.picture.firstC.length ? toUnit(r.picture.firstC[k]!) : null)),
          tone: r.id === pick ? ('ink' as const) : ('ink2' as const),
          dash: dashes[i % dashes.length]!,
        }))}
        marks={
          lift.easyC === null
            ? []
            : [
                {
                  name: `${t('easyAt')} ${Math.round(toUnit(lift.easyC))}°`,
                  at: toUnit(lift.easyC),
                  tone: 'ink' as const,
                },
              ]
        }
      />
    </Suspense>
  );
}

/** The chosen way in words. */
export function WayInWords({ here: { picked, thermal, units } }: { here: WaysReadyState }) {
  if (!picked?.readyS) return null;
  const r = picked;
  const place = r.coldest
    ? placeName(thermal.path, (thermal.arcs[r.coldest.arc]!.fromMm + thermal.arcs[r.coldest.arc]!.toMm) / 2)
    : '';
  const window = {
    meanC: r.coldest ? tempNumber(r.coldest.meanC, units) : '',
    place,
    mean: clock(r.easyForS?.mean ?? 0),
    mean2: clock(r.gripsForS?.mean ?? 0),
  };
  return (
    <View className="mt-2">
      <Txt size="s">
        {r.spotMPa === null
          ? t('coldestAtThenEasyInAll', window)
          : t('coldestAtThenEasyInAll2', { ...window, spotMPa: Math.round(r.spotMPa) })}
      </Txt>
      {r.battery && r.battery.aboveCautionS.mean >= 1 ? (
        <Txt size="s">{t('batteryOverWarningFor', { mean: clock(r.battery.aboveCautionS.mean) })}</Txt>
      ) : null}
    </View>
  );
}
