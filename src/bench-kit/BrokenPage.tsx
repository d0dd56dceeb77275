import { Link, usePathname, type Href } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';

import { eventLine } from '@/words/eventLine';
import { nowMs } from '@/store/clock';
import { append, repository, restoreSettings, shopNow, useJobs, useSettings, useShop } from '@/store/shop';
import { Button } from '@/ui/Button';
import { PlaceFrame } from './PlaceFrame';
import { Txt } from '@/ui/Txt';
import { download } from '@/ui/download';
import { length, stamp, temp } from '@/words/units';
import { findSpoiler } from '@/work/records/findSpoiler';
import { exportShopNow } from './exportShop';
import { t } from '@/words/kit';

/** In place of a page that threw: what it broke on, and the ways on. Loaded when it is needed. */
export function BrokenPage({ error, again }: { error: Error; again: () => void }) {
  const path = usePathname();
  const jobs = useJobs();
  const settings = useSettings();
  const { shop } = useShop();
  const [told, setTold] = useState<string | null>(null);
  const jobId = /^\/jobs\/([^/]+)/.exec(path)?.[1];
  const spoiler = useMemo(() => {
    const own = jobs.filter((j) => j.id === jobId);
    return findSpoiler(own.length ? own : jobs, settings, nowMs(), error.message);
  }, [jobs, jobId, settings, error]);
  const leaveOut = async () => {
    if (!spoiler) return;
    const why = error.message.slice(0, 300) || t('cannotBeWorkedOut');
    await append(spoiler.job.id, settings.person, [{ type: 'leaveOut', eventId: spoiler.event.id, why }]);
    again();
  };
  const settingsBack = async () => {
    if (await restoreSettings()) again();
    else setTold(t('thereAreNoEarlierSettingsIn'));
  };
  return (
    <PlaceFrame title={t('thisPageCannotBeShown')} line={t('everythingElseWorksNothingThatWas')}>
      <View role="alert" testID="broken" className="border-[1.5px] border-caution bg-panel p-3 gap-2">
        <Txt tone="caution" strong>
          {error.message || t('somethingCouldNotBeWorkedOut')}
        </Txt>
        {spoiler ? (
          <>
            <Txt>
              {spoiler.certain
                ? t('itCannotBeWorkedOutWith', { label: spoiler.job.label })
                : t('mostLikelyItIsThisEntry', { label: spoiler.job.label })}
            </Txt>
            <Txt strong>
              {eventLine(spoiler.event, { mm: (v, d) => length(v, settings, d), c: (v) => temp(v, settings) })}
            </Txt>
            <Txt size="s" num tone="ink2">
              {stamp(spoiler.event.at)} · {spoiler.event.by}
            </Txt>
            <Button label={t('leaveThisEntryOut')} onPress={() => void leaveOut()} />
            <Txt size="s" tone="ink2">
              {t('itStaysInTheLogAnd')}
            </Txt>
            <Link href={`/jobs/${spoiler.job.id}/log` as Href} className="font-body text-m text-ink underline py-2">
              {t('logOf', { label: spoiler.job.label })}
            </Link>
          </>
        ) : (
          <Txt>{t('noSingleEntryCanBeNamed')}</Txt>
        )}
      </View>
      <View className="gap-3 mt-4">
        <Button label={t('tryAgain')} onPress={again} />
        <Button label={t('exportEverything')} onPress={() => void exportShopNow().catch(() => exportRaw(setTold))} />
        {jobId ? null : <Button label={t('takeBackTheLastChangeOf')} onPress={() => void settingsBack()} />}
        {told ? <Txt tone="caution">{told}</Txt> : null}
        {shop ? null : <Txt size="s">{t('theLogIsNotReadYet')}</Txt>}
      </View>
    </PlaceFrame>
  );
}

/** When even the export cannot be made: every stored entry as it stands. */
async function exportRaw(tell: (what: string) => void): Promise<void> {
  try {
    await shopNow().catch(() => null);
    download('northcove-entries.json', JSON.stringify(await repository.raw(), null, 1));
  } catch (e) {
    tell(t('theStorageGivesNothing', { message: e instanceof Error ? e.message : t('notRead') }));
  }
}
