import { jointOf } from '@/core/device/jointKinds';
import { View } from 'react-native';

import { Entry, rowOf, Why } from '@/bench-kit/Why';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Txt } from '@/ui/Txt';
import { clock, length, temp } from '@/words/units';
import { coldReleaseC, iceConductanceWm2K, waysCall } from './ways';
import type { WaysReadyState } from './useWaysReady';
import { t } from '@/words/heat';

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
