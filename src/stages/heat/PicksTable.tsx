import { said } from '@/words/codes';
import { View } from 'react-native';

import type { choosePick, PickWay } from '@/core/lift/picks';
import type { Settings } from '@/model/settings';
import { Txt } from '@/ui/Txt';
import { clock, length, lengthNumber, tempNumber } from '@/words/units';
import { chanceText } from './heatCall';
import { t } from '@/words/heat';

interface PicksTableProps {
  ways: readonly PickWay[] | null;
  choice: ReturnType<typeof choosePick> | null;
  pickMm: number;
  /** start of the heat, s of the run */
  fromS: number;
  keepCover: boolean;
  units: Pick<Settings, 'temperature' | 'length'>;
}

/** Heat and pick side by side, which one is proposed, and why. */
export function PicksTable({ ways, choice, pickMm, fromS, keepCover, units }: PicksTableProps) {
  return (
    <>
      <View role="table" aria-label={t('picksSideBySide')}>
        <Row
          cells={[
            t('pick3', { n: units.length }),
            t('easyFrom'),
            t('timeOn'),
            said('battery'),
            t('breaksHead'),
            t('reheatsHead'),
          ]}
          head
        />
        {(ways ?? []).map((w) => (
          <Row
            key={w.pickMm}
            strong={w.pickMm === pickMm}
            cells={[
              lengthNumber(w.pickMm, units),
              w.easyC === null ? said('never') : `${tempNumber(w.easyC, units)}°`,
              w.readyS ? clock(w.readyS.high - fromS) : said('never'),
              w.battery ? `${tempNumber(w.battery.peakC.high, units)}°` : '–',
              chanceText(w.breakChance, keepCover),
              w.plan
                ? w.plan.finished
                  ? String(w.plan.reheats)
                  : w.plan.stoppedBy === 'battery'
                    ? t('batteryTooHot')
                    : t('tooCold')
                : '–',
            ]}
          />
        ))}
      </View>
      <Txt size="s" tone="ink2" className="mt-1">
        {choice?.way && choice.reason !== 'nothingWorks'
          ? choice.reason === 'leastBreaking'
            ? t('isProposedLeastRiskToA', { pickMm: length(choice.way.pickMm, units) })
            : t('isProposedTheBackIsWritten', { pickMm: length(choice.way.pickMm, units) })
          : ways
            ? choice?.way
              ? t('noPickKeepsEveryPartUnder', { pickMm: length(choice.way.pickMm, units) })
              : t('noPickKeepsEveryPartUnder2')
            : t('workingItOut')}
      </Txt>
    </>
  );
}

function Row({ cells, head, strong }: { cells: string[]; head?: boolean; strong?: boolean }) {
  return (
    <View role="row" className="flex-row border-b border-rule py-1">
      {cells.map((c, i) => (
        <View key={i} role={head ? 'columnheader' : 'cell'} className="flex-1 pr-1">
          <Txt size="s" num={!head} strong={strong ?? false} tone={head ? 'ink2' : 'ink'}>
            {c}
          </Txt>
        </View>
      ))}
    </View>
  );
}
