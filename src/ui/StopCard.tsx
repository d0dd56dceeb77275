import { useState, type ReactNode } from 'react';
import { Modal, Pressable, ScrollView, View } from 'react-native';

import { Button } from './Button';
import { Txt } from './Txt';

const steps: [string, string][] = [
  [
    'Hands off. Heat off.',
    'Let go of tools and device; plate, mat and air off at once. Nothing more is pried, bent or poked.',
  ],
  [
    'Hiss, smell, smoke, bulge: away with it.',
    'With tongs or thick gloves into the sand or the fire bag, outside if the way is free. Face away: the vapour is poisonous and burns.',
  ],
  [
    'Smoke or flame: everybody out.',
    'Door shut, fire service called, nobody goes back in. A fire in a cell starts again by itself.',
  ],
  [
    'Only touched or scratched: still stop.',
    'On fire-proof ground, nothing over it, half an hour in sight. A cell with a dent, scratch or hole is not used again and not charged.',
  ],
  [
    'Swollen, bent or punctured: never heat it, never refit it.',
    'Taped contacts, fire bag, to the collection for waste cells. Tell the customer before anything else is done.',
  ],
];

/**
 * What to do when a cell is touched, smells or swells. One tap away on every screen and part of the first load, so that it
 * is there with no network. @param children what a job notes about it
 */
export function StopCard({ children }: { children?: ReactNode }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Pressable
        role="button"
        aria-label="Stop card: cell touched, smells or swells"
        onPress={() => setOpen(true)}
        className="min-h-[44px] px-3 justify-center rounded-[6px] border-[1.5px] border-caution bg-panel no-print"
      >
        <Txt strong tone="caution">
          Cell: stop
        </Txt>
      </Pressable>
      <Modal visible={open} onRequestClose={() => setOpen(false)} animationType="none" aria-label="Stop card">
        <View className="flex-1 bg-paper">
          <ScrollView className="flex-1" contentContainerClassName="p-4 pb-8 w-full max-w-[720px] self-center">
            <Txt strong size="xl" level={1} tone="caution">
              The cell was touched, smells, hisses or swells
            </Txt>
            {steps.map(([what, how], i) => (
              <View key={what} className="flex-row gap-3 py-2 border-b border-rule">
                <Txt num strong size="xl" className="w-[30px]">
                  {i + 1}
                </Txt>
                <View className="flex-1">
                  <Txt strong size="l">
                    {what}
                  </Txt>
                  <Txt>{how}</Txt>
                </View>
              </View>
            ))}
            <Txt size="s" tone="ink2" className="mt-2">
              Common practice. The instructions of the cell’s maker, local rules and the fire service go first. Half an
              hour is judgement: longer is better.
            </Txt>
            {children ? <View className="mt-3 gap-2">{children}</View> : null}
          </ScrollView>
          <View className="border-t-[1.5px] border-ink bg-panel px-4 py-3">
            <Button kind="main" label="Back to work" onPress={() => setOpen(false)} />
          </View>
        </View>
      </Modal>
    </>
  );
}
