import { View } from 'react-native';

import { PlaceFrame } from '@/bench-kit/PlaceFrame';
import { Button } from '@/ui/Button';
import { Message } from '@/ui/Message';
import { TextBox } from '@/ui/TextBox';
import { Txt } from '@/ui/Txt';
import { t } from '@/words/devices';
import { Digits } from './Digits';
import { useJoin } from './useJoin';

/** The other side: a device that was opened with a code asks to be let in. */
export function JoinScreen() {
  const here = useJoin();
  const { step } = here;
  const asking = step === null || step.step === 'no' || step.step === 'unknown' || step.step === 'spent';
  return (
    <PlaceFrame
      title={t('joinTitle')}
      actions={
        asking && !here.cannot ? (
          <View className="flex-1">
            <Button kind="main" label={t('knock')} onPress={() => void here.knock()} />
          </View>
        ) : undefined
      }
    >
      {here.cannot ? (
        <Txt tone="caution">{here.cannot}</Txt>
      ) : asking ? (
        <View className="gap-2">
          <Txt>{t('joinLead')}</Txt>
          {here.goes.map((line) => (
            <Txt key={line} tone="caution">
              {line}
            </Txt>
          ))}
          {here.save ? <Button kind="small" label={t('saveFile')} onPress={here.save} /> : null}
          <Txt size="s" tone="ink2" className="mt-2">
            {t('joinName')}
          </Txt>
          <TextBox aria-label={t('joinName')} value={here.name} maxLength={60} onChangeText={here.setName} />
          <Txt size="s" tone="ink2" className="mt-2">
            {t('joinCode')}
          </Txt>
          <TextBox
            aria-label={t('joinCode')}
            value={here.code}
            maxLength={200}
            autoCapitalize="none"
            autoCorrect={false}
            onChangeText={here.setCode}
          />
          <Txt size="s" tone="ink2">
            {t('joinCodeAbout')}
          </Txt>
        </View>
      ) : null}
      <Message told={here.told} />
      <View role="status" className="gap-2">
        {step?.step === 'waiting' ? <Txt>{t('knocking')}</Txt> : null}
        {step?.step === 'compare' ? (
          <>
            <Txt>
              {step.job
                ? t('joinCompareJob', { name: step.name, job: step.job })
                : t('joinCompare', { name: step.name })}
            </Txt>
            <Digits digits={step.digits} clockByMs={step.clockByMs} />
          </>
        ) : null}
        {step?.step === 'in' ? <Txt strong>{t('joined')}</Txt> : null}
      </View>
    </PlaceFrame>
  );
}
