import { useWindowDimensions, View } from 'react-native';

import { BarList } from '@/ui/BarList';
import { DotChart } from '@/ui/chart/DotChart';
import { Plot } from '@/ui/chart/Plot';
import { MarkBar, ScaleBar, StackBar } from '@/ui/multiples/bars';
import { MultipleCard } from '@/ui/multiples/Multiples';
import { useWide } from '@/ui/useWide';
import { clock, time } from '@/words/units';
import { Group } from './Group';

const s = Array.from({ length: 25 }, (_, i) => i * 10);
const edge = s.map((t) => 90 - 68 * Math.exp(-t / 90));
const cell = s.map((t) => 60 - 38 * Math.exp(-t / 160));
const noon = new Date(2026, 3, 14, 13, 0).getTime();
const nothing = () => {};

/** Curves, dots, bars and the small pictures beside each other. */
export function ChartsLook() {
  const { width } = useWindowDimensions();
  const room = Math.min(560, (useWide() ? width / 2 : width) - 32);
  return (
    <>
      <Group name="Plot">
        <Plot
          label="Temperature over time"
          width={room}
          x={{ at: s, kind: 'span', name: 'time', text: clock }}
          y={{ name: 'Temperature, °C', text: (v) => `${Math.round(v)}°` }}
          lines={[
            {
              id: 'edge',
              name: 'first edge',
              y: edge,
              band: { low: edge.map((v) => v - 6), high: edge.map((v) => v + 4) },
            },
            { id: 'cell', name: 'battery', y: cell, tone: 'caution', dash: [8, 4] },
          ]}
          marks={[
            { name: 'goes easily 66°', at: 66, tone: 'ink' },
            { name: 'battery: stop 65°', at: 65, tone: 'caution' },
          ]}
          instants={[
            { name: 'try from', at: 60 },
            { name: 'easy by', at: 95 },
            { name: 'now', at: 100 },
          ]}
          spans={[{ name: 'easy', from: 95, to: 180 }]}
          points={{
            name: 'probe',
            at: s.filter((t) => t % 40 === 0).map((t) => [t, 88 - 66 * Math.exp(-t / 95)] as const),
          }}
        />
      </Group>
      <Group name="DotChart">
        <DotChart
          label="Ready"
          at={Array.from({ length: 20 }, (_, i) => noon + 6e5 * Math.sqrt(i) + (i > 16 ? 4e6 : 0))}
          mark={{ name: 'promised 13:45', at: noon + 45 * 6e4 }}
          text={time}
          width={room}
        />
      </Group>
      <Group name="BarList">
        <BarList
          label="Minutes"
          bars={[
            { name: 'Heat', value: 4, text: '4 min' },
            { name: 'Lift', value: 13, text: '13 min' },
            { name: 'Lost', value: -3, text: '−3' },
          ]}
        />
      </Group>
      <Group name="MultipleCard, ScaleBar, MarkBar, StackBar">
        <View className="flex-row gap-3">
          {[true, false].map((on) => (
            <MultipleCard
              key={String(on)}
              label={on ? 'chosen' : 'other'}
              title="Hot plate"
              note="110 °C"
              on={on}
              onPress={nothing}
            >
              <ScaleBar
                to={10}
                unit="min"
                parts={[
                  { from: 1, to: 3, look: 'hollow' },
                  { from: 3, to: 4.5, look: 'full' },
                ]}
                at={6}
              />
              <MarkBar name="battery" value={69} text="69°" from={20} to={90} caution={60} stop={70} />
              <MarkBar name="camera" value={83} text="83°" from={20} to={90} caution={60} stop={70} />
              <MarkBar name="display" value={42} text="42°" from={20} to={90} caution={60} stop={70} />
              <StackBar parts={[6, 7.5, 1.2, 0.8]} to={18} />
            </MultipleCard>
          ))}
        </View>
      </Group>
    </>
  );
}
