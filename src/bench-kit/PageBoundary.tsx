import { Link, usePathname, type Href } from 'expo-router';
import { Component, useMemo, useState, type ReactNode } from 'react';
import { View } from 'react-native';

import { eventLine } from '@/model/eventLine';
import { nowMs } from '@/store/clock';
import { append, repository, restoreSettings, shopNow, useJobs, useSettings, useShop } from '@/store/shop';
import { Button } from '@/ui/Button';
import { PlaceFrame } from './PlaceFrame';
import { Txt } from '@/ui/Txt';
import { download } from '@/ui/download';
import { length, stamp, temp } from '@/words/units';
import { findSpoiler } from '@/work/records/findSpoiler';
import { exportShopNow } from './exportShop';

interface Props {
  /** a new place begins afresh */
  place: string;
  children: ReactNode;
}

/** What a page threw ends at the page: bar, stop card and export stay, and the entry that it broke on is named. */
export class PageBoundary extends Component<Props, { error: Error | null; place: string }> {
  override state = { error: null as Error | null, place: this.props.place };

  static getDerivedStateFromError(error: unknown) {
    return { error: error instanceof Error ? error : new Error(String(error)) };
  }

  static getDerivedStateFromProps(props: Props, state: { error: Error | null; place: string }) {
    return props.place === state.place ? null : { error: null, place: props.place };
  }

  override render() {
    return this.state.error ? (
      <Broken error={this.state.error} again={() => this.setState({ error: null })} />
    ) : (
      this.props.children
    );
  }
}

/** The boundary around whatever the address shows. */
export function RouteBoundary({ children }: { children: ReactNode }) {
  return <PageBoundary place={usePathname()}>{children}</PageBoundary>;
}

function Broken({ error, again }: { error: Error; again: () => void }) {
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
    const why = error.message.slice(0, 300) || 'cannot be computed';
    await append(spoiler.job.id, settings.person, [{ type: 'leaveOut', eventId: spoiler.event.id, why }]);
    again();
  };
  const settingsBack = async () => {
    if (await restoreSettings()) again();
    else setTold('There are no earlier settings in this browser.');
  };
  return (
    <PlaceFrame title="This page cannot be shown" line="everything else works; nothing that was noted is lost">
      <View role="alert" testID="broken" className="border-[1.5px] border-caution bg-panel p-3 gap-2">
        <Txt tone="caution" strong>
          {error.message || 'Something could not be computed.'}
        </Txt>
        {spoiler ? (
          <>
            <Txt>
              {spoiler.certain ? 'It cannot be computed with this entry' : 'Most likely it is this entry'} of{' '}
              {spoiler.job.label}:
            </Txt>
            <Txt strong>
              {eventLine(spoiler.event, { mm: (v, d) => length(v, settings, d), c: (v) => temp(v, settings) })}
            </Txt>
            <Txt size="s" num tone="ink2">
              {stamp(spoiler.event.at)} · {spoiler.event.by}
            </Txt>
            <Button label="Leave this entry out" onPress={() => void leaveOut()} />
            <Txt size="s" tone="ink2">
              It stays in the log and can be taken in again there.
            </Txt>
            <Link href={`/jobs/${spoiler.job.id}/log` as Href} className="font-body text-m text-ink underline py-2">
              Log of {spoiler.job.label}
            </Link>
          </>
        ) : (
          <Txt>No single entry can be named for it.</Txt>
        )}
      </View>
      <View className="gap-3 mt-4">
        <Button label="Try again" onPress={again} />
        <Button label="Export everything" onPress={() => void exportShopNow().catch(() => exportRaw(setTold))} />
        {jobId ? null : (
          <Button label="Take back the last change of the settings" onPress={() => void settingsBack()} />
        )}
        {told ? <Txt tone="caution">{told}</Txt> : null}
        {shop ? null : <Txt size="s">The log is not read yet.</Txt>}
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
    tell(`The storage gives nothing: ${e instanceof Error ? e.message : 'not read'}`);
  }
}
