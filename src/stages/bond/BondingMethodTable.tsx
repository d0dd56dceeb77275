import { View } from 'react-native';

import { bentLimits } from '@/core/fit/bentFrame';
import type { BondingMethodId } from '@/core/bond/bondingMethods';
import { bondingMethodNames } from '@/model/eventLine';
import type { JobState } from '@/model/fold';
import { useActions } from '@/bench-kit/actions';
import { useSettings } from '@/store/shop';
import { Choice, Tick } from '@/ui/Choice';
import { Txt } from '@/ui/Txt';
import { length, percent, span } from '@/words/units';
import { blockWords, consequence } from './bondCall';
import type { BondWork } from '@/work/bond/bondWork';
import type { BeadWork } from '@/work/bond/beadWork';

interface BondingMethodTableProps {
  job: JobState;
  work: BondWork;
  bead: BeadWork | null;
}

/** The way that is proposed, and the others in reach. */
export function BondingMethodChoice({
  work,
  school,
  onSchool,
}: {
  work: BondWork;
  school: BondingMethodId;
  onSchool: (s: BondingMethodId) => void;
}) {
  const best = work.choices[0]!;
  const settings = useSettings();
  return (
    <Choice
      label="Way of bonding"
      value={school}
      options={work.choices.map((c) => ({ id: c.school.id, name: bondingMethodNames[c.school.id] }))}
      onChange={onSchool}
      hint={
        best.blocks.length
          ? `None is free of objections: ${bondingMethodNames[best.school.id]} has the fewest. Tell the customer what must change.`
          : `${bondingMethodNames[best.school.id]} is proposed: nothing against it, cheapest at ${best.cost.toFixed(1)} ${settings.money.currency} with work, rework and delay.`
      }
    />
  );
}

/** The ways of bonding side by side: cost, time, what each takes of an uneven seat, what speaks against it here. */
export function BondingMethodTable({ job, work, bead }: BondingMethodTableProps) {
  const settings = useSettings();
  const { log } = useActions(job);
  const tick = (item: 'sealWanted' | 'oldRingWhole') => (done: boolean) => void log([{ type: 'prep', item, done }]);
  return (
    <View className="mt-2 border-t border-rule pt-2">
      <FrameNote job={job} work={work} bead={bead} />
      <View role="table" aria-label="Ways of bonding">
        {work.choices.map((c) => (
          <View role="row" key={c.school.id} className="border-b border-rule py-1">
            <View role="cell" className="flex-row justify-between gap-2">
              <Txt size="s" strong className="flex-1">
                {bondingMethodNames[c.school.id]}
              </Txt>
              <Txt size="s" num>
                {c.cost.toFixed(1)} {settings.money.currency} · ready {span(c.readyH * 3600)}
              </Txt>
            </View>
            <View role="cell">
              <Txt size="s" num tone="ink2">
                {c.parts.material.toFixed(1)} {settings.money.currency} material + {c.parts.work.toFixed(1)} work +{' '}
                {c.parts.rework.toFixed(1)} rework
                {c.parts.delay > 0.05 ? ` + ${c.parts.delay.toFixed(1)} delay` : ''}
              </Txt>
              <Txt size="s" tone="ink2">
                {consequence[c.school.id]}; takes {length(c.gapVariationMm, settings, 2)} of uneven seat.
              </Txt>
              {c.blocks.length ? (
                <Txt size="s" tone="caution">
                  Against it: {c.blocks.map((b) => blockWords[b]).join(', ')}.
                </Txt>
              ) : null}
            </View>
          </View>
        ))}
      </View>
      <Tick
        label="A seal measurement is wanted after it"
        note="Only a ring of the factory’s kind allows one. No water resistance is promised by it."
        on={job.prep.has('sealWanted')}
        onChange={tick('sealWanted')}
      />
      <Tick
        label="The old ring is whole and clean but for torn spots"
        on={job.prep.has('oldRingWhole')}
        onChange={tick('oldRingWhole')}
      />
      {work.bleeds ? (
        <Txt size="s" className="mt-1">
          Light can bleed through here: {work.bleeds}. Black glue or tape is taken first where it is in stock; what
          comes out of the joint shows more.
        </Txt>
      ) : null}
    </View>
  );
}

/** Where a bent seat leaves the tape in the air, and what to add there. */
function FrameNote({ job, work, bead }: Pick<BondingMethodTableProps, 'job' | 'work' | 'bead'>) {
  const settings = useSettings();
  const f = work.frame;
  if (!f)
    return job.findings.bent?.answer === 'yes' ? (
      <Txt size="s" tone="caution" className="mb-2">
        Bent frame, not measured: tape bridges only about a fifth of its thickness. Measure the seat on Intake to see
        where it will not touch.
      </Txt>
    ) : null;
  if (!f.badArcs.length)
    return (
      <Txt size="s" className="mb-2">
        The seat is flat enough: {length(f.maxGapMm, settings, 2)} at most under a flat glass.
      </Txt>
    );
  const say = {
    tapeAsPlanned: '',
    thickerTape: `Tape ${length(f.tapePickMm ?? f.tapeNeededMm, settings, 2)} thick would reach everywhere.`,
    beadTopUp: `Add a bead there, ${length(f.beadHeightMm, settings, 2)} high and ${(f.beadVolumeMm3 / 1000).toFixed(3)} ml in all, of a glue that keeps its volume.`,
    declineOrStraighten: `No tape or bead bridges ${length(f.maxGapMm, settings, 2)}: straighten the frame or decline.`,
  }[f.action];
  return (
    <View className="mb-2">
      <Txt size="s" tone="caution">
        The dashed stretches will not touch: {percent(1 - f.contactShare)} of the ring, up to{' '}
        {length(f.maxGapMm, settings, 2)}. {say}
      </Txt>
      {bead && !bead.bead.fillsGaps ? (
        <Txt size="s" tone="caution">
          {bead.liquid.name} dries to {percent(bead.bead.dryFill)} of what is laid: it fills no gap.
        </Txt>
      ) : null}
      <Txt size="s" tone="ink2">
        Tape is pressed to between {percent(1 - bentLimits.compressMax.value)} and{' '}
        {percent(1 - bentLimits.compressMin.value)} of its thickness: it bridges a fifth.
      </Txt>
    </View>
  );
}
