import { Link, type Href } from 'expo-router';
import { View } from 'react-native';

import { PlaceFrame } from '@/bench-kit/PlaceFrame';
import { useDemoDay } from '@/bench-kit/useDemoDay';
import { useJobs } from '@/store/shop';
import type { SyncView } from '@/store/sync/device';
import { Button, HoldButton } from '@/ui/Button';
import { Message } from '@/ui/Message';
import { Txt } from '@/ui/Txt';
import { t } from '@/words/devices';
import { dayTime } from '@/words/units';
import { useNow } from '@/bench-kit/useNow';
import { Adding } from './Adding';
import { OwnName } from './OwnName';
import { troubleText } from './troubleText';
import { useDevices } from './useDevices';

/** The screens that belong to this shop: who they are, letting one in, lending a job, taking one out. */
export function DevicesScreen() {
  const here = useDevices();
  const demo = useDemoDay() !== null;
  const cannot = demo ? null : here.cannot;
  return (
    <PlaceFrame help="devices" title={t('title')} line={t('line')}>
      {demo ? (
        <View className="gap-2">
          <Txt>{t('leaveDemoFirst')}</Txt>
          <Link href={'/own' as Href} className="font-body text-m text-ink underline py-3">
            {t('ownShop')}
          </Link>
        </View>
      ) : null}
      {cannot ? <Txt>{cannot}</Txt> : null}
      <Message told={here.told} />
      {!demo && !cannot ? <Known here={here} /> : null}
    </PlaceFrame>
  );
}

function Known({ here }: { here: ReturnType<typeof useDevices> }) {
  const { view } = here;
  return (
    <>
      <Troubles view={view} />
      <OwnName here={here} />
      {view?.loan ? (
        <Txt className="mt-3">{t('borrowed', { host: view.loan.host })}</Txt>
      ) : (
        <>
          <Others here={here} />
          <Adding here={here} />
          <Lent here={here} />
        </>
      )}
      {here.belongs ? (
        <View className="mt-4 border-t border-rule pt-3 gap-2">
          <Txt size="s" tone="ink2">
            {t('leaveAbout')}
          </Txt>
          <View className="self-start">
            <HoldButton kind="side" label={t('leave')} onPress={() => void here.leave()} />
          </View>
        </View>
      ) : null}
    </>
  );
}

function Troubles({ view }: { view: SyncView | null }) {
  return (
    <View role="status">
      {view?.troubles.map((x) => (
        <Txt key={`${x.kind} ${'from' in x ? x.from : ''}`} tone="caution" className="mb-2">
          {troubleText(x)}
        </Txt>
      ))}
    </View>
  );
}

function Others({ here }: { here: ReturnType<typeof useDevices> }) {
  const now = useNow(10_000);
  const others = here.view?.members.filter((m) => m.id !== here.view?.me.id) ?? [];
  return (
    <View className="mt-4">
      <Txt strong size="l" level={2}>
        {t('others')}
      </Txt>
      {others.length ? (
        <>
          <Txt size="s" tone="ink2" className="mb-2">
            {t('takeOutAbout')}
          </Txt>
          <View role="list" aria-label={t('others')}>
            {others.map((m) => (
              <View
                key={m.id}
                role="listitem"
                className="border-b border-rule py-2 flex-row flex-wrap items-center gap-3"
              >
                <View className="flex-1 min-w-[180px]">
                  <Txt strong>{m.name}</Txt>
                  <Txt size="s" tone="ink2">
                    {m.heardAt === null ? t('notHeard') : t('heard', { at: dayTime(m.heardAt, now) })}
                    {' · '}
                    {t('since', { at: dayTime(m.since, now) })}
                  </Txt>
                </View>
                <HoldButton
                  kind="side"
                  label={t('takeOut', { name: m.name })}
                  onPress={() => void here.takeOut(m.id)}
                />
              </View>
            ))}
          </View>
        </>
      ) : (
        <Txt tone="ink2" className="mt-1">
          {t('alone')}
        </Txt>
      )}
    </View>
  );
}

function Lent({ here }: { here: ReturnType<typeof useDevices> }) {
  const now = useNow(10_000);
  const jobs = useJobs();
  const label = (id: string) => jobs.find((j) => j.id === id)?.label ?? id;
  const loans = here.view?.loans ?? [];
  return loans.length ? (
    <View className="mt-4">
      <Txt strong size="l" level={2}>
        {t('lent')}
      </Txt>
      {loans.map((l) => (
        <View key={l.id} className="border-b border-rule py-2 flex-row flex-wrap items-center gap-3">
          <Txt className="flex-1 min-w-[180px]" tone={l.over ? 'ink2' : 'ink'}>
            {l.over
              ? t('lentOver', { job: label(l.jobId), name: l.name })
              : t('lentTo', { job: label(l.jobId), name: l.name, at: dayTime(l.since, now) })}
          </Txt>
          {l.over ? null : (
            <Button
              kind="small"
              label={t('takeBack', { job: label(l.jobId) })}
              onPress={() => void here.takeBack(l.id)}
            />
          )}
        </View>
      ))}
    </View>
  ) : null;
}
