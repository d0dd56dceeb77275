import { useState, type ReactNode } from 'react';
import { Modal, Pressable, ScrollView, View } from 'react-native';

import { Button } from './Button';
import { Txt } from './Txt';
import { t } from '@/words/ui';

const steps = (): [string, string][] => [
  [t('handsOffHeatOff'), t('letGoOfToolsAndDevice')],
  [t('hissSmellSmokeBulgeAwayWith'), t('withTongsOrThickGlovesInto')],
  [t('smokeOrFlameEverybodyOut'), t('doorShutCallTheFireService')],
  [t('onlyTouchedOrScratchedStillStop'), t('onFireProofGroundNothingOver')],
  [t('swollenBentOrPuncturedNeverHeat'), t('tapeTheContactsFireBagTo')],
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
        aria-label={t('stopCardBatteryTouchedSmellsOr')}
        onPress={() => setOpen(true)}
        className="min-h-touch px-3 shrink-0 justify-center rounded-card border-[1.5px] border-caution bg-panel no-print"
      >
        <Txt strong tone="caution">
          {t('batteryStop')}
        </Txt>
      </Pressable>
      <Modal visible={open} onRequestClose={() => setOpen(false)} animationType="none" aria-label={t('stopCard')}>
        <View className="flex-1 bg-paper">
          <ScrollView className="flex-1" contentContainerClassName={`p-4 pb-4 w-full max-w-[720px] self-center`}>
            <Txt strong size="xl" level={1} tone="caution">
              {t('theBatteryWasTouchedSmellsHisses')}
            </Txt>
            {steps().map(([what, how], i) => (
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
              {t('commonPracticeTheBatteryMakersInstructions')}
            </Txt>
            {children ? <View className="mt-3 gap-2">{children}</View> : null}
          </ScrollView>
          <View className="border-t-[1.5px] border-ink bg-panel px-4 py-3">
            <Button kind="main" label={t('backToWork')} onPress={() => setOpen(false)} />
          </View>
        </View>
      </Modal>
    </>
  );
}
