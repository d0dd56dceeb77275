import { useState } from 'react';
import { View } from 'react-native';

import { coverFigures, type LensCoverSeat } from '@/core/fit/lensCover';
import type { JobState } from '@/model/fold';
import { useActions } from '@/bench-kit/actions';
import { useSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { LengthField } from '@/ui/QuantityField';
import { Txt } from '@/ui/Txt';
import { said } from '@/words/codes';
import { digits, length } from '@/words/units';
import { t } from '@/words/check';

const gapPlaces = ['right', 'top', 'left', 'bottom'] as const;
const stepPlaces = () => [t('atTheTop'), t('lowerLeft'), t('lowerRight')];

/** How a cover sits, and by how much. */
function seatText(seat: LensCoverSeat, units: Parameters<typeof length>[1]): string {
  const how = {
    part: seat.seated ? t('itSits') : t('itDoesNotSitPressIt'),
    offsetMm: length(seat.offsetMm, units, 2),
    gapMinMm: length(seat.gapMinMm, units, 2),
    value: length(coverFigures.leastRingMm.value, units, 2),
    figure: digits(seat.tiltDeg!, 1),
  };
  if (!seat.seated) return t('offByLeastGapFromTilt', how);
  return seat.concentric ? t('centredOffByLeastGapFrom', how) : t('butOffCentreItRubsAt2', how);
}

/** Four ring gaps and three steps of a camera cover: does it sit down, and in the middle. */
export function CoverSeat({ job, lens, seat }: { job: JobState; lens: string; seat: LensCoverSeat | null }) {
  const units = useSettings();
  const { log } = useActions(job);
  const noted = job.coverSeats[lens];
  const [gaps, setGaps] = useState<(number | null)[]>(() => noted?.gaps ?? [null, null, null, null]);
  const [steps, setSteps] = useState<(number | null)[]>(() => noted?.steps ?? [null, null, null]);
  const whole = gaps.every((g) => g !== null) && steps.every((s) => s !== null);
  const set = (list: (number | null)[], i: number, v: number) => list.map((x, k) => (k === i ? v : x));
  return (
    <View>
      {gaps.map((g, i) => (
        <LengthField
          key={gapPlaces[i]}
          label={t('ringGap', { i: said(gapPlaces[i]!) })}
          units={units}
          lowMm={-0.5}
          highMm={3}
          valueMm={g}
          onMm={(v) => setGaps(set(gaps, i, v))}
        />
      ))}
      {steps.map((s, i) => (
        <LengthField
          key={stepPlaces()[i]}
          label={t('stepCoverAboveIsPlus', { i: stepPlaces()[i] })}
          units={units}
          lowMm={-2}
          highMm={2}
          valueMm={s}
          onMm={(v) => setSteps(set(steps, i, v))}
        />
      ))}
      <Button
        kind="small"
        label={t('noteHowItSits')}
        disabled={!whole}
        onPress={() => void log([{ type: 'coverSeat', lens, gaps: gaps as number[], steps: steps as number[] }])}
      />
      {seat ? (
        <Txt className="mt-2" tone={seat.seated && seat.concentric ? 'ink' : 'caution'} testID="seat">
          {seatText(seat, units)}
        </Txt>
      ) : null}
    </View>
  );
}
