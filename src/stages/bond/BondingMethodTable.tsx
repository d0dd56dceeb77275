import { View } from 'react-native';

import { bentLimits } from '@/core/fit/bentFrame';
import type { BondingMethodId } from '@/core/bond/bondingMethods';
import { bondingMethodNames } from '@/words/eventLine';
import type { JobState } from '@/model/fold';
import { useActions } from '@/bench-kit/actions';
import { useSettings } from '@/store/shop';
import { Choice, Tick } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { Txt } from '@/ui/Txt';
import { listed, digits, length, percent, span } from '@/words/units';
import { blockWords, consequence } from './bondCall';
import { BondingMethodCards } from './BondingMethodCards';
import type { BondWork } from '@/work/bond/bondWork';
import type { BeadWork } from '@/work/bond/beadWork';
import { t } from '@/words/bond';

interface BondingMethodTableProps {
  job: JobState;
  school: BondingMethodId;
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
      label={t('wayOfBonding')}
      value={school}
      // what the part does not bring is no way to choose; the table below still says why
      options={work.choices
        .filter((c) => !c.blocks.includes('notOnThePart'))
        .map((c) => ({ id: c.school.id, name: bondingMethodNames[c.school.id] }))}
      onChange={onSchool}
      hint={
        best.blocks.length
          ? t('everyWayHasSomethingAgainstIt', { id: bondingMethodNames[best.school.id] })
          : t('isProposedNothingAgainstItAnd', {
              id: bondingMethodNames[best.school.id],
              figure: digits(best.cost, 2),
              currency: settings.money.currency,
            })
      }
    />
  );
}

/** The ways of bonding side by side: cost, time, what each takes of an uneven seat, what speaks against it here. */
export function BondingMethodTable({ job, work, bead, school }: BondingMethodTableProps) {
  const settings = useSettings();
  const { log } = useActions(job);
  const tick = (item: 'sealWanted' | 'oldRingWhole') => (done: boolean) => void log([{ type: 'prep', item, done }]);
  return (
    <View className="mt-2 border-t border-rule pt-2">
      <FrameNote job={job} work={work} bead={bead} />
      <BondingMethodCards work={work} school={school} />
      <Disclosure bare title={t('asATable')}>
        <View role="table" aria-label={t('waysOfBonding')}>
          {work.choices.map((c) => (
            <View role="row" key={c.school.id} className="border-b border-rule py-1">
              <View role="cell" className="flex-row justify-between gap-2">
                <Txt size="s" strong className="flex-1">
                  {bondingMethodNames[c.school.id]}
                </Txt>
                <Txt size="s" num>
                  {t('ready', {
                    figure: digits(c.cost, 2),
                    currency: settings.money.currency,
                    readyH: span(c.readyH * 3600),
                  })}
                </Txt>
              </View>
              <View role="cell">
                <Txt size="s" num tone="ink2">
                  {c.parts.delay > 0.05
                    ? t('materialWorkReworkDelay', {
                        figure: digits(c.parts.material, 2),
                        currency: settings.money.currency,
                        figure2: digits(c.parts.work, 2),
                        figure3: digits(c.parts.rework, 2),
                        figure4: digits(c.parts.delay, 2),
                      })
                    : t('materialWorkRework', {
                        figure: digits(c.parts.material, 2),
                        currency: settings.money.currency,
                        figure2: digits(c.parts.work, 2),
                        figure3: digits(c.parts.rework, 2),
                      })}
                </Txt>
                <Txt size="s" tone="ink2">
                  {t('takesOfUnevenSeat', {
                    id: consequence[c.school.id],
                    gapVariationMm: length(c.gapVariationMm, settings, 2),
                  })}
                </Txt>
                {c.blocks.length ? (
                  <Txt size="s" tone="caution">
                    {t('againstIt', { list: listed(c.blocks.map((b) => blockWords[b])) })}
                  </Txt>
                ) : null}
              </View>
            </View>
          ))}
        </View>
      </Disclosure>
      <Tick
        label={t('anAirTestIsWantedAfter')}
        note={t('onlyARingLikeTheFactorys')}
        on={job.prep.has('sealWanted')}
        onChange={tick('sealWanted')}
      />
      <Tick label={t('theOldRingIsWholeAnd')} on={job.prep.has('oldRingWhole')} onChange={tick('oldRingWhole')} />
      {work.bleeds ? (
        <Txt size="s" className="mt-1">
          {t('lightCanBleedThroughHereBlack', {
            bleeds:
              work.bleeds.from === 'screen'
                ? t('screenShinesToTheEdge')
                : t('flashIsNear', { mm: length(work.bleeds.mm, settings, 1) }),
          })}
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
        {t('bentFrameNotMeasuredTapeBridges')}
      </Txt>
    ) : null;
  if (!f.badArcs.length)
    return (
      <Txt size="s" className="mb-2">
        {t('theSeatIsFlatEnoughAt', { maxGapMm: length(f.maxGapMm, settings, 2) })}
      </Txt>
    );
  const say = {
    tapeAsPlanned: '',
    thickerTape: t('tapeThickWouldTouchEverywhere', {
      tapePickMm: length(f.tapePickMm ?? f.tapeNeededMm, settings, 2),
    }),
    beadTopUp: t('addABeadThereHighMl', {
      beadHeightMm: length(f.beadHeightMm, settings, 2),
      figure: digits(f.beadVolumeMm3 / 1000, 3),
    }),
    declineOrStraighten: t('noTapeOrBeadBridgesStraighten', { maxGapMm: length(f.maxGapMm, settings, 2) }),
  }[f.action];
  return (
    <View className="mb-2">
      <Txt size="s" tone="caution">
        {t('theDashedStretchesWillNotTouch', {
          contactShare: percent(1 - f.contactShare),
          maxGapMm: length(f.maxGapMm, settings, 2),
          say,
        })}
      </Txt>
      {bead && !bead.bead.fillsGaps ? (
        <Txt size="s" tone="caution">
          {t('driesToOfWhatIsLaid', { name: bead.liquid.name, dryFill: percent(bead.bead.dryFill) })}
        </Txt>
      ) : null}
      <Txt size="s" tone="ink2">
        {t('tapeIsPressedToBetweenAnd', {
          value: percent(1 - bentLimits.compressMax.value),
          value2: percent(1 - bentLimits.compressMin.value),
        })}
      </Txt>
    </View>
  );
}
