import { View } from 'react-native';

import { Button, HoldButton } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Disclosure } from '@/ui/Disclosure';
import { Mark } from '@/ui/Mark';
import { Message } from '@/ui/Message';
import { Readings } from '@/ui/Readings';
import { StopCard } from '@/ui/StopCard';
import { Table } from '@/ui/Table';
import { Txt } from '@/ui/Txt';
import { Group } from './Group';

const nothing = () => {};

/** Words: sizes and tones, what is said, what is pressed. */
export function TextLook() {
  return (
    <>
      <Group name="Txt">
        {(['s', 'm', 'l', 'xl', 'huge'] as const).map((s) => (
          <Txt key={s} size={s}>
            Warm edge 62 °C
          </Txt>
        ))}
        {(['ink', 'ink2', 'caution', 'go'] as const).map((tone) => (
          <Txt key={tone} tone={tone} strong num>
            {`${tone} 0:48`}
          </Txt>
        ))}
      </Group>
      <Group name="Call, Message">
        <Call sentence="Lift the bottom edge." reason="It goes easily for 1 min 20 s." />
        <Call sentence="Too cold: heat again." reason="The glue is at 48 °C." tone="caution" />
        <Message told={{ text: 'Read back: all there.', bad: false }} />
        <Message told={{ text: 'Plate: 50 to 200 °C.', bad: true }} />
      </Group>
      <Group name="Button">
        <Button kind="main" label="On the plate" onPress={nothing} />
        <Button label="Not so" onPress={nothing} clock="0:48" />
        <Button kind="small" label="Work it out again" onPress={nothing} />
        <Button kind="main" label="Go on" onPress={nothing} disabled why="the tray first" />
        <HoldButton label="Handed over" onPress={nothing} />
        <View className="self-start">
          <StopCard />
        </View>
      </Group>
      <Group name="Mark, Readings">
        <View className="flex-row gap-3">
          <Mark state="waits" />
          <Mark state="runs" left={0.4} />
          <Mark state="hands" />
          <Mark state="done" />
        </View>
        <Readings
          items={[
            { id: 'a', value: '62°', label: 'first edge' },
            { id: 'b', value: '81°', label: 'battery', tone: 'caution' },
            { id: 'c', value: '0.02', label: 'flush', tone: 'go' },
          ]}
        />
      </Group>
      <Group name="Disclosure, Table">
        <Disclosure title="Why and what else" open>
          <Table
            label="Minutes"
            columns={['stage', 'min', 'of plan']}
            rows={[
              ['Heat', '4.0', '× 1.02'],
              ['Lift', '12.5', '× 1.31'],
            ]}
            marked={[1]}
          />
        </Disclosure>
        <Disclosure title="Closed">{null}</Disclosure>
      </Group>
    </>
  );
}
