import { jointOf } from '@/core/device/jointKinds';
import { Pressable, View } from 'react-native';

import { type WayResult } from '@/core/heat/ways';
import { placeName } from '@/work/heat/placeNames';
import { Entry, rowOf, Why } from '@/bench-kit/Why';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Txt } from '@/ui/Txt';
import { clock, dial, length, temp, tempNumber } from '@/words/units';
import { coldReleaseC, iceConductanceWm2K, overText, waysCall, type ListedWay } from './ways';
import type { WaysReadyState } from './useWaysReady';

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
  const peak = (e: WayResult['battery'], name: string) => (e ? `${name} ${tempNumber(e.peakC.high, units)}°` : null);
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
      aria-label={`${listed.name}, ${dial(r.setC)}`}
      onPress={onPress}
      className={`border-[1.5px] rounded-[6px] px-3 py-2 mb-2 ${on ? 'bg-ink border-ink' : 'bg-panel border-ink2'}`}
    >
      <View className="flex-row justify-between gap-2">
        <Txt strong tone={tone} className="flex-1">
          {listed.name}
        </Txt>
        <Txt num strong tone={tone}>
          {r.readyS ? clock(r.readyS.mean) : r.tryFromS ? 'slow only' : 'never'}
        </Txt>
      </View>
      <Txt size="s" tone={soft}>
        {dial(r.setC)}
        {listed.way.preheated ? '' : ', from cold'}
        {best ? ' · the gentlest' : ''}
      </Txt>
      {r.readyS ? (
        <>
          <Txt size="s" tone={soft}>
            Try from {clock((r.tryFromS ?? r.readyS).mean)}, easy by {clock(r.readyS.mean)}, at the latest{' '}
            {clock(r.readyS.high)}
          </Txt>
          <Txt size="s" tone={soft}>
            {parts}; battery over its caution {clock(r.battery?.aboveCautionS.mean ?? 0)}
          </Txt>
          <Txt size="s" tone={soft}>
            coldest {r.coldest ? tempNumber(r.coldest.meanC, units) : ''}° {place}; then {clock(r.easyForS?.mean ?? 0)}{' '}
            easy, {clock(r.gripsForS?.mean ?? 0)} in all
            {r.spotMPa === null ? '' : `; glass ${Math.round(r.spotMPa)} MPa`}
          </Txt>
        </>
      ) : (
        <Txt size="s" tone={soft}>
          {r.tryFromS
            ? `works slowly from ${clock(r.tryFromS.mean)}, never easy`
            : 'does not get the starting edge there within 20 minutes'}
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
      label="Heat this way"
      onPress={take}
      disabled={!picked?.readyS || (other && !because.trim())}
      {...(!picked?.readyS
        ? { why: 'no way that opens it is chosen' }
        : other && !because.trim()
          ? { why: 'say why another one' }
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
      <View role="radiogroup" aria-label="Ways of heating, gentle first" className="mt-3">
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
          {l.name}: {failed.has(l.way.id) ? 'not computed, the page does not say whether it works' : 'computing'}
        </Txt>
      ))}
      {failed.size ? (
        <Button
          kind="small"
          label="Compute again"
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
          label={best ? 'Why not the gentlest' : 'Why this one, although something gets too hot'}
          value={because}
          onChange={setBecause}
        />
      ) : null}
      {cold ? (
        <View className="border-t border-rule mt-2 pt-2" testID="cold">
          <Txt strong>Cold: not planned</Txt>
          <Txt size="s">
            On sublimating ice the warmest place of the ring is at {temp(cold.warmestC, units)} after 25 minutes; soft
            glue lets go below {temp(coldReleaseC.value, units)} at every place.{' '}
            {cold.releasedAtS === null
              ? 'Within an hour the model does not get there.'
              : `The model gets there after ${clock(cold.releasedAtS)}, with an assumed contact.`}{' '}
            Cold glass and cells suffer, and water condenses inside.
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
        'Order: ways that get nothing over its stop mark first, then by seconds of the battery over its caution mark, then by its peak.',
        `Easy: the starting edge is at ${lift.easyC === null ? '–' : temp(lift.easyC, units)} after the way from the heater, as it usually is, with a ${length(lift.pickMm, units)} pick. Temperatures are the hot end in the same world as the bond. Air is averaged over its round; what a moving nozzle brings less is taken off.`,
        'Stress: beside a hot place, on top of what the pick does. Thin cracked glass breaks sooner under spot heat.',
      ]}
      rows={[rowOf('Ice contact', iceConductanceWm2K, 'W/m²K'), rowOf('Cold release', coldReleaseC, '°C')]}
    />
  );
}
