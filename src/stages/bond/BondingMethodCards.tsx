import type { BondingMethodId } from '@/core/bond/bondingMethods';
import { bondingMethodNames } from '@/words/eventLine';
import { useSettings } from '@/store/shop';
import { ScaleBar, StackBar } from '@/ui/multiples/bars';
import { MultipleCard, Multiples } from '@/ui/multiples/Multiples';
import { Txt } from '@/ui/Txt';
import { listed, digits, length, span } from '@/words/units';
import type { BondWork } from '@/work/bond/bondWork';
import { blockWords } from './bondCall';
import { t } from '@/words/bond';

/** The ways of bonding as pictures to the same scales: what each costs, when it is ready, and the unevenness that it takes. */
export function BondingMethodCards({
  work,
  school,
}: {
  work: BondWork;
  /** the one that is taken */
  school: BondingMethodId;
}) {
  const settings = useSettings();
  const { currency } = settings.money;
  const toCost = Math.max(...work.choices.map((c) => c.cost));
  const toH = Math.max(...work.choices.map((c) => c.readyH));
  const seatMm = work.frame?.maxGapMm ?? null;
  const toMm = Math.max(seatMm ?? 0, ...work.choices.map((c) => c.gapVariationMm)) * 1.05;
  return (
    <>
      <Multiples label={t('waysOfBonding')} pick={false}>
        {work.choices.map((c) => {
          const name = bondingMethodNames[c.school.id];
          return (
            <MultipleCard key={c.school.id} label={name} title={name} on={c.school.id === school}>
              <Txt num strong size="l">
                {digits(c.cost, 2)} {currency}
              </Txt>
              <StackBar parts={[c.parts.material, c.parts.work, c.parts.rework, c.parts.delay]} to={toCost} />
              <Txt size="s" tone="ink2">
                {t('costPieces', {
                  material: digits(c.parts.material, 2),
                  work: digits(c.parts.work, 2),
                  rework: digits(c.parts.rework, 2),
                })}
              </Txt>
              <Txt size="s" className="mt-1">
                {t('readyAfter', { readyH: span(c.readyH * 3600) })}
              </Txt>
              <ScaleBar to={toH} parts={[{ from: 0, to: c.readyH, look: 'full' }]} />
              <Txt size="s" className="mt-1">
                {t('takesUneven', { gapMm: length(c.gapVariationMm, settings, 2) })}
              </Txt>
              <ScaleBar to={toMm} parts={[{ from: 0, to: c.gapVariationMm, look: 'full' }]} at={seatMm} />
              {c.blocks.length ? (
                <Txt size="s" tone="caution" className="mt-1">
                  {t('againstIt', { list: listed(c.blocks.map((b) => blockWords[b])) })}
                </Txt>
              ) : null}
            </MultipleCard>
          );
        })}
      </Multiples>
      {seatMm === null ? null : (
        <Txt size="s" tone="ink2" className="mb-2">
          {t('markIsYourSeat', { seat: length(seatMm, settings, 2) })}
        </Txt>
      )}
    </>
  );
}
