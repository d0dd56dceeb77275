import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';

import type { JobState } from '@/model/fold';
import { tagCode } from '@/model/tagCode';
import { useActions } from '@/bench-kit/actions';
import { CustomerLanguage, langOf } from '@/bench-kit/CustomerLanguage';
import { useCustomerLanguage } from '@/bench-kit/useCustomerLanguage';
import { speaking } from '@/words/language';
import { Paper } from '@/bench-kit/Paper';
import { JobPage } from '@/bench-kit/JobPage';
import { backHref, cameFrom } from '@/bench-kit/cameFrom';
import { Entry } from '@/bench-kit/Why';
import { Button } from '@/ui/Button';
import { Choice, Tick } from '@/ui/Choice';
import { QrCode } from '@/ui/QrCode';
import { Txt } from '@/ui/Txt';
import { dayTime } from '@/words/units';
import { useNow } from '@/bench-kit/useNow';
import { t } from '@/words/intake';

/** Tag for device and tray, and what was agreed with the customer about data, lock and tests. */
export function TagScreen({ job }: { job: JobState }) {
  const now = useNow(30_000);
  const router = useRouter();
  const { log } = useActions(job);
  const code = tagCode(job.id);
  const c = job.customer;
  const tongue = useCustomerLanguage(job);
  const [note, setNote] = useState<string | null>(null);
  const agree = (change: Partial<NonNullable<JobState['customer']>>) =>
    void log([
      {
        type: 'customer',
        backup: change.backup ?? c?.backup ?? null,
        lock: change.lock ?? c?.lock ?? null,
        note: (change.note ?? c?.note ?? '').slice(0, 500),
        ...(c?.language ? { language: c.language } : {}),
      },
    ]);
  return (
    <JobPage
      job={job}
      title={t('tagAndCustomer')}
      now={now}
      stage="intake"
      side={<Button label={t('printTheTag')} onPress={() => window.print()} />}
      main={
        <Button
          kind="main"
          label={cameFrom(job, 'intake') === 'intake' ? t('backToIntake') : t('back')}
          onPress={() => router.replace(backHref(job, 'intake'))}
        />
      }
    >
      <Paper testID="tag" title={job.label} sub={job.model.name} device={job}>
        <View className="flex-row gap-4 items-center mt-2">
          <QrCode text={`${job.label} ${code}`} />
          <View className="flex-1">
            <Txt num strong size="huge">
              {code}
            </Txt>
            {job.customerMark ? <Txt size="s">{job.customerMark}</Txt> : null}
            {job.promiseAt ? (
              <Txt size="s" {...langOf(tongue)}>
                {speaking(tongue, () => t('promised', { promiseAt: dayTime(job.promiseAt!, now) }))}
              </Txt>
            ) : null}
          </View>
        </View>
      </Paper>
      <Txt size="s" tone="ink2" className="mt-2 mb-2">
        {t('theSameFourSignsOnThe')}
      </Txt>
      <Tick
        label={t('isOnTheDevice', { code })}
        on={job.prep.has('tagDevice')}
        onChange={(done) => void log([{ type: 'prep', item: 'tagDevice', done }])}
      />
      <Tick
        label={t('isOnTheTray', { code })}
        on={job.prep.has('tagTray')}
        onChange={(done) => void log([{ type: 'prep', item: 'tagTray', done }])}
      />
      <View className="mt-4">
        <CustomerLanguage job={job} />
        <Choice
          label={t('backupOfTheCustomersData')}
          value={c?.backup ?? null}
          options={[
            { id: 'made', name: t('made') },
            { id: 'asked', name: t('askedNotSure') },
            { id: 'declined', name: t('noneWanted') },
          ]}
          onChange={(backup) => agree({ backup })}
          hint={t('workInsideCanCostTheData')}
        />
        <Choice
          label={t('howTheFunctionsAreTested')}
          value={c?.lock ?? null}
          options={[
            { id: 'noLock', name: t('noLock') },
            { id: 'customerUnlocks', name: t('customerUnlocksItHere') },
            { id: 'codeGiven', name: t('codeGivenOnPaper') },
            { id: 'testsWithout', name: t('onlyWhatWorksLocked') },
          ]}
          onChange={(lock) => agree({ lock })}
          hint={t('neverTypeTheCodeItselfIn')}
        />
        <Entry label={t('alsoAgreed')} value={note ?? c?.note ?? ''} onChange={setNote} multiline />
        <Button
          kind="small"
          label={t('noteIt')}
          disabled={note === null || note === (c?.note ?? '')}
          onPress={() => {
            agree({ note: note ?? '' });
            setNote(null);
          }}
        />
      </View>
    </JobPage>
  );
}
