import { jointOf } from '@/core/device/jointKinds';
import { Pressable, View } from 'react-native';

import { type WayResult } from '@/core/heat/ways';
import { placeName } from '@/words/placeNames';
import { Entry, rowOf, Why } from '@/bench-kit/Why';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Txt } from '@/ui/Txt';
import { clock, dial, length, temp, tempNumber } from '@/words/units';
import { coldReleaseC, iceConductanceWm2K, overText, waysCall, type ListedWay } from './ways';
import type { WaysReadyState } from './useWaysReady';
import { t } from '@/words/heat';
import { told } from '@/words/told';

interface WayRowProps {
  listed: ListedWay;
  r: WayResult;
  on: boolean;
  best: boolean;
  place: string;
  units: Parameters<typeof temp>[1];
  onPress: () => void;
}

function WayRow({ listed, r, on, best, place, units, onPress }: WayRowProps) {
  const tone = on ? 'onInk' : 'ink';
  const soft = on ? 'onInk' : 'ink2';
  const peak = (e: WayResult['battery'], name: string) =>
    e ? `${told(name)} ${tempNumber(e.peakC.high, units)}°` : null;
  const parts = [
    peak(r.battery, 'battery'),
    peak(r.camera, 'camera'),
    peak(r.display, 'display'),
    peak(r.cover, 'back'),
  ]
    .filter(Boolean)
    .join(', ');
  return (
    <Pressable
      role="radio"
      aria-checked={on}
      aria-label={`${told(listed.name)}, ${dial(r.setC)}`}
      onPress={onPress}
      className={`border-[1.5px] rounded-[6px] px-3 py-2 mb-2 ${on ? 'bg-ink border-ink' : 'bg-panel border-ink2'}`}
    >
      <View className="flex-row justify-between gap-2">
        <Txt strong tone={tone} className="flex-1">
          {told(listed.name)}
        </Txt>
        <Txt num strong tone={tone}>
          {r.readyS ? clock(r.readyS.mean) : r.tryFromS ? t('slowOnly') : t('never')}
        </Txt>
      </View>
      <Txt size="s" tone={soft}>
        {listed.way.preheated
          ? best
            ? t('theGentlest', { setC: dial(r.setC) })
            : dial(r.setC)
          : best
            ? t('fromColdTheGentlest', { setC: dial(r.setC) })
            : t('fromCold', { setC: dial(r.setC) })}
      </Txt>
      {r.readyS ? (
        <>
          <Txt size="s" tone={soft}>
            {t('tryFromEasyByAtThe', {
              mean: clock((r.tryFromS ?? r.readyS).mean),
              mean2: clock(r.readyS.mean),
              high: clock(r.readyS.high),
            })}
          </Txt>
          <Txt size="s" tone={soft}>
            {t('batteryOverItsWarningFor', { parts, mean: clock(r.battery?.aboveCautionS.mean ?? 0) })}
          </Txt>
          <Txt size="s" tone={soft}>
            {r.spotMPa === null
              ? t('coldestAtThenEasyInAll', {
                  meanC: r.coldest ? tempNumber(r.coldest.meanC, units) : '',
                  place,
                  mean: clock(r.easyForS?.mean ?? 0),
                  mean2: clock(r.gripsForS?.mean ?? 0),
                })
              : t('coldestAtThenEasyInAll2', {
                  meanC: r.coldest ? tempNumber(r.coldest.meanC, units) : '',
                  place,
                  mean: clock(r.easyForS?.mean ?? 0),
                  mean2: clock(r.gripsForS?.mean ?? 0),
                  spotMPa: Math.round(r.spotMPa),
                })}
          </Txt>
        </>
      ) : (
        <Txt size="s" tone={soft}>
          {r.tryFromS ? t('worksSlowlyFromNeverEasy', { mean: clock(r.tryFromS.mean) }) : t('doesNotGetTheFirstEdge')}
        </Txt>
      )}
      {r.over.length ? (
        <Txt size="s" strong tone={on ? 'onInk' : 'caution'}>
          {overText(r)}
        </Txt>
      ) : null}
    </Pressable>
  );
}

/** Which way, and why. */
export function WaysLead({ here: { listed, results, marks, lift, units, job, plastic } }: { here: WaysReadyState }) {
  return (
    <Call
      {...waysCall({
        listed,
        results,
        cautionC: marks.cautionC,
        pickMm: lift.pickMm,
        units,
        pieces: jointOf(job.bond).wholeFace && job.device.parts.some((p) => p.limitC),
        plastic,
      })}
    />
  );
}

/** Heat this way. */
export function WaysMain({ here: { take, picked, other, because } }: { here: WaysReadyState }) {
  return (
    <Button
      kind="main"
      label={t('heatThisWay')}
      onPress={take}
      disabled={!picked?.readyS || (other && !because.trim())}
      {...(!picked?.readyS
        ? { why: t('chooseAWayThatOpensIt') }
        : other && !because.trim()
          ? { why: t('sayWhyYouChooseAnotherOne') }
          : {})}
    />
  );
}

/** The ways, gentle first. */
export function WayRows({
  here: { order, listed, pick, best, thermal, units, setChosen, waiting, failed, answers },
}: {
  here: WaysReadyState;
}) {
  return (
    <>
      <View role="radiogroup" aria-label={t('waysOfHeatingGentlestFirst')} className="mt-3">
        {order.map((r) => (
          <WayRow
            key={r.id}
            listed={listed.find((l) => l.way.id === r.id)!}
            r={r}
            on={r.id === pick}
            best={r.id === best?.id}
            place={
              r.coldest
                ? placeName(thermal.path, (thermal.arcs[r.coldest.arc]!.fromMm + thermal.arcs[r.coldest.arc]!.toMm) / 2)
                : ''
            }
            units={units}
            onPress={() => setChosen(r.id)}
          />
        ))}
      </View>
      {waiting.map((l) => (
        <Txt key={l.way.id} size="s" tone="ink2" className="py-2">
          {failed.has(l.way.id)
            ? t('notWorkedOutSoNobodyKnows', { name: l.name })
            : t('workingItOut2', { name: l.name })}
        </Txt>
      ))}
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

/** Another one, and the cold one. */
export function WayOthers({ here: { other, best, because, setBecause, cold, units } }: { here: WaysReadyState }) {
  return (
    <>
      {other ? (
        <Entry
          label={best ? t('whyNotTheGentlest') : t('whyThisOneAlthoughSomethingGets')}
          value={because}
          onChange={setBecause}
        />
      ) : null}
      {cold ? (
        <View className="border-t border-rule mt-2 pt-2" testID="cold">
          <Txt strong>{t('coldNotPlanned')}</Txt>
          <Txt size="s">
            {cold.releasedAtS === null
              ? t('onDryIceTheWarmestPart', {
                  warmestC: temp(cold.warmestC, units),
                  value: temp(coldReleaseC.value, units),
                })
              : t('onDryIceTheWarmestPart2', {
                  warmestC: temp(cold.warmestC, units),
                  value: temp(coldReleaseC.value, units),
                  releasedAtS: clock(cold.releasedAtS),
                })}
          </Txt>
        </View>
      ) : null}
    </>
  );
}

/** Why this one. */
export function WaysWhy({ here: { job, lift, results, units } }: { here: WaysReadyState }) {
  return (
    <Why
      job={job}
      call="ways"
      inputs={{ pickMm: lift.pickMm, easyC: lift.easyC }}
      computed={results.map((r) => ({ id: r.id, setC: r.setC, readyS: r.readyS?.high ?? null }))}
      notes={[
        t('orderFirstWhatGetsNothingOver'),
        t('easyTheFirstEdgeIsAt', {
          easyC: lift.easyC === null ? '–' : temp(lift.easyC, units),
          pickMm: length(lift.pickMm, units),
        }),
        t('stressBesideAHotSpotOn'),
      ]}
      rows={[
        rowOf(t('contactWithTheIce'), iceConductanceWm2K, 'W/m²K'),
        rowOf(t('letsGoWhenCold'), coldReleaseC, '°C'),
      ]}
    />
  );
}
