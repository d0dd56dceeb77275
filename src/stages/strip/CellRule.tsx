import { Link, type Href } from 'expo-router';
import { View } from 'react-native';

import { slotDryS } from '@/core/alcohol/drying';
import { commonPractice, judgement } from '@/core/source';
import type { JobState } from '@/model/fold';
import { useActions } from '@/bench-kit/actions';
import { saveSettings, useSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Choice, Tick } from '@/ui/Choice';
import { Txt } from '@/ui/Txt';
import { clock } from '@/words/units';

export const warmFront = commonPractice(90, 'one to two minutes from the front on the plate', 30);
export const soakS = judgement(180, 'a few minutes’ wait with the device tilted, so that it runs under');

/** May a cell be used again: flat, undamaged, never bent. */
export const cellReusable = (c: { flat: boolean; bent: boolean; punctured: boolean }, swollen: boolean): boolean =>
  c.flat && !c.bent && !c.punctured && !swollen;

/** How the cell comes out, three ways side by side, and whether it goes back in. */
export function CellRule({ job, onWarm }: { job: JobState; onWarm: () => void }) {
  const { log } = useActions(job);
  const settings = useSettings();
  const swollen = job.findings.cellSwollen?.answer === 'yes';
  const c = job.cellChoice ?? {
    fit: settings.newCell ? ('new' as const) : ('same' as const),
    flat: false,
    bent: false,
    punctured: false,
  };
  const put = (over: Partial<typeof c>) => {
    const next = { fit: c.fit, flat: c.flat, bent: c.bent, punctured: c.punctured, ...over };
    void log([
      { type: 'cellChoice', ...next, fit: cellReusable(next, swollen) ? next.fit : 'new' },
      ...(next.bent || next.punctured
        ? [
            {
              type: 'finding' as const,
              kind: 'cellSwollen' as const,
              answer: 'yes' as const,
              note: 'bent or punctured while it was taken out',
            },
          ]
        : []),
    ]);
  };
  const ok = cellReusable(c, swollen);
  return (
    <View className="mt-2">
      <Txt size="s">
        Pull tabs: slowly, flat, away from parts. Warm from the front: {Math.round(warmFront.value / 60)} to 2 minutes,
        time and dose computed. Alcohol round the edge: tilted, {clock(soakS.value)} of waiting, then a plastic card; it
        dries under the cell in about {clock(slotDryS(settings.roomC, 5))}, no heat before.
      </Txt>
      <View className="flex-row flex-wrap gap-2 my-2">
        {swollen ? null : <Button kind="small" label="Warm from the front" onPress={onWarm} />}
        <Link href={`/jobs/${job.id}/alcohol` as Href} className="font-body text-m text-ink underline py-2">
          Alcohol
        </Link>
      </View>
      <Tick label="It came out flat" on={c.flat} onChange={(flat) => put({ flat })} />
      <Tick label="It is bent" on={c.bent} onChange={(bent) => put({ bent })} />
      <Tick label="It is scratched or punctured" on={c.punctured} onChange={(punctured) => put({ punctured })} />
      <Choice
        label="Back in goes"
        value={ok ? c.fit : 'new'}
        options={[...(ok ? [{ id: 'same' as const, name: 'the same cell' }] : []), { id: 'new', name: 'a new cell' }]}
        onChange={(fit) => put({ fit })}
        hint={
          ok
            ? 'Two schools: one always fits a new cell, the other uses one again that came out flat and undamaged. The shop chooses.'
            : 'Only a cell that came out flat and undamaged goes in again; a bent or punctured one never does.'
        }
      />
      <Tick
        label="This shop always fits a new cell"
        on={settings.newCell}
        onChange={(newCell) => void saveSettings({ ...settings, newCell })}
      />
    </View>
  );
}
