import { fillFigures } from '@/core/bond/fill';
import { openFigures } from '@/core/bond/openTime';
import { Choice } from '@/ui/Choice';
import { NumberField } from '@/ui/NumberField';
import { LengthField, TempField } from '@/ui/QuantityField';
import { Txt } from '@/ui/Txt';
import { length, percent } from '@/words/units';
import type { BeadDetailsState } from './useBeadDetails';

const kinds = { solvent: 'dries by its solvent', moisture: 'cures by moisture, keeps its volume' };

/** Glue, width, gap, hand and tube. */
export function BeadSettings({
  here: { liquid, work, onPicks, s, ring, bead, picks, job },
}: {
  here: BeadDetailsState;
}) {
  return (
    <>
      <Choice
        label="Glue"
        value={liquid.id}
        options={work.liquids.map((l) => ({
          id: l.id,
          name: l.black && !/black/i.test(l.name) ? `${l.name}, black` : l.name,
        }))}
        onChange={(liquidId) => onPicks({ liquidId })}
        hint={`${kinds[liquid.cure]}; nozzle ${length(liquid.nozzleDiaMm, s, 2)}.`}
      />
      <LengthField
        label="Closed width of the bead"
        units={s}
        lowMm={0.3}
        highMm={ring}
        valueMm={bead?.bondMm ?? picks.bondMm ?? ring}
        onMm={(v) => onPicks({ bondMm: v })}
      />
      <LengthField
        label="Gap that it closes to"
        units={s}
        lowMm={0.05}
        highMm={1}
        valueMm={bead?.gapMm ?? picks.gapMm ?? job.bond.gapMm}
        onMm={(v) => onPicks({ gapMm: v })}
      />
      <NumberField
        label="Hand speed"
        unit="mm/s"
        low={0.5}
        high={30}
        digits={1}
        value={Number((picks.feedMmS ?? bead?.bead.feedMmS ?? 5).toFixed(1))}
        onCommit={(feedMmS) => onPicks({ feedMmS })}
      />
      <TempField
        label="Temperature of the tube"
        units={s}
        lowC={openFigures.tubeC.low.value}
        highC={openFigures.tubeC.high.value}
        valueC={bead?.tubeC ?? picks.tubeC ?? s.roomC}
        onC={(v) => onPicks({ tubeC: v })}
      />
    </>
  );
}

/** What the way of bonding asks besides. */
export function BondingMethodSettings({ here: { school, s, work, picks, onPicks } }: { here: BeadDetailsState }) {
  return (
    <>
      {school === 'reuseTopup' ? (
        <LengthField
          label="Torn length of the old ring"
          units={s}
          lowMm={2}
          highMm={work.path.lengthMm}
          digits={0}
          valueMm={picks.tornMm}
          onMm={(v) => onPicks({ tornMm: v })}
        />
      ) : null}
      {school === 'fullFill' ? (
        <>
          <Choice
            label="In the middle"
            value={picks.pattern}
            options={[
              { id: 'lines', name: 'Lines' },
              { id: 'dots', name: 'Dots' },
            ]}
            onChange={(pattern) => onPicks({ pattern })}
          />
          <NumberField
            label="Coverage when closed"
            unit="%"
            low={Math.round(fillFigures.fewest.value * 100)}
            high={90}
            value={Math.round(picks.coverage * 100)}
            onCommit={(v) => onPicks({ coverage: v / 100 })}
          />
          <LengthField
            label="From line to line, or dot to dot"
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
        As laid {bead.bead.sectionMm2.toFixed(3)} mm², a strand {length(bead.bead.strandDiaMm, s, 2)} thick: a nozzle up
        to that lays it without dragging. By hand it closes to {length(bead.bead.bondMinMm, s, 2)} to{' '}
        {length(bead.bead.bondMaxMm, s, 2)}. Dry it fills {percent(bead.bead.dryFill)} of what was laid
        {bead.bead.fillsGaps ? '.' : ': it fills no gap.'}
      </Txt>
      <Txt size="s">
        {bead.order.order.length} {bead.order.order.length === 1 ? 'run' : 'runs'} round the ring between what stays
        open, {length(bead.order.travelMm, s, 0)} through the air between them
        {bead.order.proven ? ', the least there is' : ''}.{' '}
        {bead.nearCamera
          ? `${length(bead.nearCamera.mm, s, 1)} to the nearest camera, ${length(bead.bead.cameraClearMm, s, 1)} asked for. `
          : ''}
        {bead.nearSound ? `${length(bead.nearSound.mm, s, 1)} to the nearest microphone or speaker.` : ''}
      </Txt>
      {bead.nearCamera && bead.nearCamera.mm < bead.bead.cameraClearMm ? (
        <Txt size="s" tone="caution">
          Too near to a camera: lay it at the outer edge there, thinner.
        </Txt>
      ) : null}
      {bead.fill ? (
        <Txt size="s">
          {bead.fill.lines} lines in {bead.fill.strokes.length} {bead.fill.strokes.length === 1 ? 'stroke' : 'strokes'},{' '}
          {bead.fillMl.toFixed(2)} ml, each {length(picks.coverage * picks.pitchMm, s, 1)} wide when closed. Lines are
          proposed: air leaves along them. Narrower lines dry faster, by the square of their width.
        </Txt>
      ) : null}
      {bead.dots ? (
        <Txt size="s" tone={bead.dots.figures.touching ? 'caution' : 'ink'}>
          {bead.dots.at.length} dots of {bead.dots.figures.ulPerDot.toFixed(1)} µl, {bead.fillMl.toFixed(2)} ml; each
          spreads to {length(2 * bead.dots.figures.discRadiusMm, s, 1)} across.
          {bead.dots.figures.touching ? ' They touch: air is shut in between.' : ''}
        </Txt>
      ) : null}
    </>
  ) : null;
}
