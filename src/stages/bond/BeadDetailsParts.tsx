import { fillFigures } from '@/core/bond/fill';
import { openFigures } from '@/core/bond/openTime';
import { View } from 'react-native';

import { methodOf } from '@/core/bond/bondingMethods';
import type { EdgeId } from '@/core/device/types';
import { layOf } from '@/work/bond/bondWork';
import { Choice, Tick } from '@/ui/Choice';
import { capital } from '@/words/capital';
import { NumberField } from '@/ui/NumberField';
import { LengthField, TempField } from '@/ui/QuantityField';
import { Txt } from '@/ui/Txt';
import { edgeName } from '@/words/placeNames';
import { digits as inDigits, length, percent } from '@/words/units';
import type { BeadDetailsState } from './useBeadDetails';
import { t } from '@/words/bond';

const edges: readonly EdgeId[] = ['bottom', 'left', 'top', 'right'];

const kinds = {
  get solvent() {
    return t('driesAsItsSolventLeaves');
  },
  get moisture() {
    return t('curesWithMoistureDoesNotShrink');
  },
};

/** Glue, width, gap, hand and tube. */
export function BeadSettings({
  here: { liquid, work, onPicks, s, ring, bead, picks, job },
}: {
  here: BeadDetailsState;
}) {
  return (
    <>
      <Choice
        label={t('glue')}
        value={liquid.id}
        options={work.liquids.map((l) => ({
          id: l.id,
          name: l.black && !/black/i.test(l.name) ? t('black', { name: l.name }) : l.name,
        }))}
        onChange={(liquidId) => onPicks({ liquidId })}
        hint={t('nozzle', { cure: kinds[liquid.cure], nozzleDiaMm: length(liquid.nozzleDiaMm, s, 2) })}
      />
      <LengthField
        label={t('widthOfTheBeadOnceClosed')}
        units={s}
        lowMm={0.3}
        highMm={ring}
        valueMm={bead?.bondMm ?? picks.bondMm ?? ring}
        onMm={(v) => onPicks({ bondMm: v })}
      />
      <LengthField
        label={t('gapItClosesTo')}
        units={s}
        lowMm={0.05}
        highMm={1}
        valueMm={bead?.gapMm ?? picks.gapMm ?? job.bond.gapMm}
        onMm={(v) => onPicks({ gapMm: v })}
      />
      <NumberField
        label={t('handSpeed')}
        unit="mm/s"
        low={0.5}
        high={30}
        digits={1}
        value={Number((picks.feedMmS ?? bead?.bead.feedMmS ?? 5).toFixed(1))}
        onCommit={(feedMmS) => onPicks({ feedMmS })}
      />
      <TempField
        label={t('temperatureOfTheTube')}
        units={s}
        lowC={openFigures.tubeC.low.value}
        highC={openFigures.tubeC.high.value}
        valueC={bead?.tubeC ?? picks.tubeC ?? s.roomC}
        onC={(v) => onPicks({ tubeC: v })}
      />
    </>
  );
}

/** Edges that get a bead in place of tape, and what lies on the rest. */
function BeadInstead({ here: { work, picks, onPicks } }: { here: BeadDetailsState }) {
  const path = work.path;
  const on = (e: EdgeId) =>
    picks.beadEdges
      ? picks.beadEdges.includes(e)
      : work.beadOn.some((a) => path.point(path.wrap((a.fromMm + a.toMm) / 2)).edge === e);
  return (
    <View className="mb-2">
      <Choice
        label={t('onTheRestOfTheRing')}
        value={layOf('tapeAndBead', picks, work.rings) === 'ring' ? 'ring' : 'strips'}
        options={[
          { id: 'ring', name: t('preCutRing') },
          { id: 'strips', name: t('strips') },
        ]}
        onChange={(base) => onPicks({ base })}
      />
      <Txt strong>{t('beadInPlaceOfTapeAt')}</Txt>
      {picks.beadEdges === null && work.beadOn.length ? (
        <Txt size="s" tone="ink2">
          {t('whereTheSeatWasMeasured')}
        </Txt>
      ) : null}
      {edges.map((e) => (
        <Tick
          key={e}
          label={capital(edgeName(e))}
          on={on(e)}
          onChange={(add) => onPicks({ beadEdges: edges.filter((x) => (x === e ? add : on(x))) })}
        />
      ))}
    </View>
  );
}

/** What the way of bonding asks besides. */
export function BondingMethodSettings({ here }: { here: BeadDetailsState }) {
  const { school, s, work, picks, onPicks } = here;
  const where = methodOf(school).liquid;
  return (
    <>
      {where === 'stretches' ? <BeadInstead here={here} /> : null}
      {where === 'torn' ? (
        <LengthField
          label={t('tornLengthOfTheOldRing')}
          units={s}
          lowMm={2}
          highMm={work.path.lengthMm}
          digits={0}
          valueMm={picks.tornMm}
          onMm={(v) => onPicks({ tornMm: v })}
        />
      ) : null}
      {where === 'fill' ? (
        <>
          <Choice
            label={t('inTheMiddle')}
            value={picks.pattern}
            options={[
              { id: 'lines', name: t('lines') },
              { id: 'dots', name: t('dots') },
            ]}
            onChange={(pattern) => onPicks({ pattern })}
          />
          <NumberField
            label={t('coverageWhenClosed')}
            unit="%"
            low={Math.round(fillFigures.fewest.value * 100)}
            high={90}
            value={Math.round(picks.coverage * 100)}
            onCommit={(v) => onPicks({ coverage: v / 100 })}
          />
          <LengthField
            label={t('fromLineToLineOrDot')}
            units={s}
            lowMm={2}
            highMm={20}
            valueMm={picks.pitchMm}
            onMm={(v) => onPicks({ pitchMm: v })}
          />
        </>
      ) : null}
    </>
  );
}

/** What it comes to. */
export function BeadNumbers({ here: { bead, s, picks } }: { here: BeadDetailsState }) {
  return bead ? (
    <>
      <Txt size="s">
        {bead.bead.fillsGaps
          ? t('laidMmAStrandThickA', {
              figure: inDigits(bead.bead.sectionMm2, 3),
              strandDiaMm: length(bead.bead.strandDiaMm, s, 2),
              bondMinMm: length(bead.bead.bondMinMm, s, 2),
              bondMaxMm: length(bead.bead.bondMaxMm, s, 2),
              dryFill: percent(bead.bead.dryFill),
            })
          : t('laidMmAStrandThickA2', {
              figure: inDigits(bead.bead.sectionMm2, 3),
              strandDiaMm: length(bead.bead.strandDiaMm, s, 2),
              bondMinMm: length(bead.bead.bondMinMm, s, 2),
              bondMaxMm: length(bead.bead.bondMaxMm, s, 2),
              dryFill: percent(bead.bead.dryFill),
            })}
      </Txt>
      <Txt size="s">
        {[
          t('beadRuns', { count: bead.order.order.length, travelMm: length(bead.order.travelMm, s, 0) }),
          ...(bead.order.proven ? [t('noOrderHasLess')] : []),
          ...(bead.nearCamera
            ? [
                t('toTheNearestCamera', {
                  mm: length(bead.nearCamera.mm, s, 1),
                  wantedMm: length(bead.bead.cameraClearMm, s, 1),
                }),
              ]
            : []),
          ...(bead.nearSound ? [t('toTheNearestSound', { mm: length(bead.nearSound.mm, s, 1) })] : []),
        ].join(' ')}
      </Txt>
      {bead.nearCamera && bead.nearCamera.mm < bead.bead.cameraClearMm ? (
        <Txt size="s" tone="caution">
          {t('tooNearToACameraLay')}
        </Txt>
      ) : null}
      {bead.fill ? (
        <Txt size="s">
          {t('linesInStrokes', {
            count: bead.fill.strokes.length,
            lines: bead.fill.lines,
            figure: inDigits(bead.fillMl, 2),
            coverage: length(picks.coverage * picks.pitchMm, s, 1),
          })}
        </Txt>
      ) : null}
      {bead.dots ? (
        <Txt
          size="s"
          tone={bead.dots.figures.touching ? 'caution' : 'ink'}
        >{`${t('dotsOfLMlEachSpreads', { count: bead.dots.at.length, figure: inDigits(bead.dots.figures.ulPerDot, 1), figure2: inDigits(bead.fillMl, 2), discRadiusMm: length(2 * bead.dots.figures.discRadiusMm, s, 1) })}${bead.dots.figures.touching ? ` ${t('theyTouchAirIsShutIn')}` : ''}`}</Txt>
      ) : null}
    </>
  ) : null;
}
