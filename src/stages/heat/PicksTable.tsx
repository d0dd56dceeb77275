import { View } from 'react-native';

import type { choosePick, PickWay } from '@/core/lift/picks';
import type { Settings } from '@/model/settings';
import { Txt } from '@/ui/Txt';
import { clock, length, lengthNumber, tempNumber } from '@/words/units';
import { chanceText } from './heatCall';

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
      <View role="table" aria-label="Picks side by side">
        <Row cells={[`pick ${units.length}`, 'easy from', 'on plate', 'battery', 'breaks', 'reheats']} head />
        {(ways ?? []).map((w) => (
          <Row
            key={w.pickMm}
            strong={w.pickMm === pickMm}
            cells={[
              lengthNumber(w.pickMm, units),
              w.easyC === null ? 'never' : `${tempNumber(w.easyC, units)}°`,
              w.readyS ? clock(w.readyS.high - fromS) : 'never',
              w.battery ? `${tempNumber(w.battery.peakC.high, units)}°` : '–',
              chanceText(w.breakChance, keepCover),
              w.plan
                ? w.plan.finished
                  ? String(w.plan.reheats)
                  : w.plan.stoppedBy === 'battery'
                    ? 'cell too hot'
                    : 'too cold'
                : '–',
            ]}
          />
        ))}
      </View>
      <Txt size="s" tone="ink2" className="mt-1">
        {choice?.way && choice.reason !== 'nothingWorks'
          ? choice.reason === 'leastBreaking'
            ? `${length(choice.way.pickMm, units)} is proposed: least chance of breaking a cover that is to be saved, among the picks that keep every part under its stop mark.`
            : `${length(choice.way.pickMm, units)} is proposed: the cover is written off, so the pick that keeps the cell coolest.`
          : ways
            ? `No pick keeps every part under its stop mark at this setpoint${choice?.way ? `; ${length(choice.way.pickMm, units)} is the gentlest` : ''}. Less heat, another way of heating, or write the cover off.`
            : 'Computing'}
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
