import { useState } from 'react';
import { View } from 'react-native';

import { useJobs } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { QrCode } from '@/ui/QrCode';
import { Txt } from '@/ui/Txt';
import { t } from '@/words/devices';
import { Digits } from './Digits';
import type { Invitation, useDevices } from './useDevices';

/** Lets a device in, for good or for one job: a code, digits on both screens, one press. */
export function Adding({ here }: { here: ReturnType<typeof useDevices> }) {
  const jobs = useJobs().filter((j) => j.closedAt === null);
  const [lending, setLending] = useState(false);
  const [job, setJob] = useState<string | null>(null);
  const chosen = jobs.find((j) => j.id === job);
  if (here.invitation) return <Inviting here={here} at={here.invitation} />;
  return (
    <View className="mt-4 gap-2">
      {here.local ? (
        <Txt size="s" tone="ink2">
          {t('localOnly', { address: here.origin })}
        </Txt>
      ) : null}
      <View className="flex-row flex-wrap gap-3">
        <Button kind="main" label={t('addDevice')} onPress={() => void here.add(null)} />
        <Button label={t('lendJob')} onPress={() => setLending(!lending)} />
      </View>
      {lending ? (
        <View className="mt-2">
          <Txt size="s" tone="ink2" className="mb-2">
            {t('lendAbout')}
          </Txt>
          {jobs.length ? (
            <>
              <Choice
                label={t('whichJob')}
                value={job}
                options={jobs.map((j) => ({ id: j.id, name: `${j.label} · ${j.model.name}` }))}
                onChange={setJob}
              />
              <View className="self-start">
                <Button
                  kind="main"
                  label={t('lendCode')}
                  disabled={!chosen}
                  onPress={() => chosen && void here.add({ id: chosen.id, label: chosen.label })}
                />
              </View>
            </>
          ) : (
            <Txt tone="ink2">{t('noJob')}</Txt>
          )}
        </View>
      ) : null}
    </View>
  );
}

function Inviting({ here, at }: { here: ReturnType<typeof useDevices>; at: Invitation }) {
  const { step } = at;
  return (
    <View className="mt-4 gap-2 items-start" role="status">
      {step.step === 'waiting' ? (
        <>
          <Txt>{t('scan')}</Txt>
          <QrCode text={at.address} sizePx={220} />
          <Txt size="s" num className="break-all" testID="join-link">
            {at.address}
          </Txt>
          <Txt tone="ink2">{t('waiting')}</Txt>
        </>
      ) : null}
      {step.step === 'compare' ? (
        <>
          <Txt strong>
            {step.job ? t('wantsJob', { name: step.name, job: step.job }) : t('wants', { name: step.name })}
          </Txt>
          <Txt>{t('compare')}</Txt>
          <Digits digits={step.digits} clockByMs={step.clockByMs} />
          <View className="flex-row flex-wrap gap-3">
            <Button label={t('refuse')} onPress={() => here.pairing?.refuse()} />
            <Button kind="main" label={t('letIn')} onPress={() => void here.pairing?.letIn()} />
          </View>
        </>
      ) : null}
      {step.step === 'in' ? <Txt strong>{t('isIn', { name: step.name })}</Txt> : null}
      {step.step === 'no' ? <Txt>{t('refusedIt')}</Txt> : null}
      {step.step === 'spent' || step.step === 'unknown' ? <Txt>{t('codeOver')}</Txt> : null}
      <Button
        kind="small"
        label={step.step === 'waiting' || step.step === 'compare' ? t('stopAdding') : t('done')}
        onPress={here.stopAdding}
      />
    </View>
  );
}
