import { Choice } from '@/ui/Choice';
import { t } from '@/words/heat';
import type { Air } from './useAir';

/** Which hot air of this bench. */
export function AirFrom({
  here: { airs, heaterId, setHeaterId },
}: {
  here: Pick<Air, 'airs' | 'heaterId' | 'setHeaterId'>;
}) {
  return (
    <Choice
      label={t('airFrom')}
      value={heaterId}
      options={airs.map((h) => ({ id: h.id, name: h.name }))}
      onChange={setHeaterId}
    />
  );
}
