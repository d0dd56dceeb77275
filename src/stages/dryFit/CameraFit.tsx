import { View } from 'react-native';

import { holeOffsetMm } from '@/core/fit/dryFit';
import type { JobState } from '@/model/fold';
import { useActions } from '@/bench-kit/actions';
import { useSettings } from '@/store/shop';
import { Disclosure } from '@/ui/Disclosure';
import { LengthField } from '@/ui/QuantityField';
import { Txt } from '@/ui/Txt';
import { digits, length } from '@/words/units';
import { ringOf, sides, type CameraHole } from '@/work/bond/fitJob';
import { t } from '@/words/dryFit';

interface CameraFitProps {
  job: JobState;
  cameras: readonly CameraHole[];
  /** after the move that is proposed, of those that were measured */
  offsets: readonly number[] | null;
}

/** Is each camera ring in the middle of its hole: four gaps, left, right, top, bottom. */
export function CameraFit({ job, cameras, offsets }: CameraFitProps) {
  const settings = useSettings();
  const { log } = useActions(job);
  if (!cameras.length) return null;
  const measured = cameras.filter((c) => c.offset);
  const off = (c: CameraHole) => Math.hypot(...c.offset!);
  return (
    <Disclosure
      title={t('camerasInTheirHolesOf', { n: measured.length, of: cameras.length })}
      open={measured.some((c) => off(c) > holeOffsetMm.value)}
    >
      <Txt size="s" tone="ink2" className="mb-1">
        {t('gapBetweenRingAndHoleOn', { value: length(holeOffsetMm.value, settings, 2) })}
      </Txt>
      {cameras.map((c, i) => (
        <View key={c.id} className="mb-2">
          <Txt strong>
            {c.offset
              ? offsets
                ? t('cameraOffAfterTheMove', {
                    i: i + 1,
                    c: length(off(c), settings, 2),
                    c2: length(offsets[measured.indexOf(c)]!, settings, 2),
                  })
                : t('cameraOff', { i: i + 1, c: length(off(c), settings, 2) })
              : t('camera', { i: i + 1 })}
          </Txt>
          <RingLine hole={c} />
          <View className="flex-row flex-wrap">
            {sides.map((s) => (
              <View key={s} className="w-1/2 pr-2">
                <LengthField
                  label={t('camera2', { i: i + 1, s })}
                  units={settings}
                  lowMm={0}
                  highMm={2}
                  valueMm={c.gaps[s].mm}
                  onMm={(v) =>
                    void log([
                      { type: 'reading', quantity: 'gapMm', point: c.gaps[s].key, value: v, u: settings.gaugeU.gapMm },
                    ])
                  }
                />
              </View>
            ))}
          </View>
        </View>
      ))}
    </Disclosure>
  );
}

/** What stays open round a ring whose hole was made larger: dust and light go through there. */
function RingLine({ hole }: { hole: CameraHole }) {
  const settings = useSettings();
  const ring = ringOf(hole);
  if (!ring) return null;
  return (
    <Txt size="s" tone={ring.touches ? 'caution' : 'ink2'}>
      {ring.touches
        ? t('theRingTouchesItsHole')
        : t('openRoundTheRingToMm', {
            minMm: length(ring.minMm, settings, 2),
            maxMm: length(ring.maxMm, settings, 2),
            figure: digits(ring.areaMm2, 1),
          })}
    </Txt>
  );
}
