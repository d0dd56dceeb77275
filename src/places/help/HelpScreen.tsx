import { Link, useLocalSearchParams, type Href } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';

import { PlaceFrame } from '@/bench-kit/PlaceFrame';
import { nowMs } from '@/store/clock';
import { useShop, useSettings } from '@/store/shop';
import { storageFormat, version } from '@/store/version';
import { Button } from '@/ui/Button';
import { Disclosure } from '@/ui/Disclosure';
import { download } from '@/ui/download';
import { TextBox } from '@/ui/TextBox';
import { Txt } from '@/ui/Txt';
import { tellUs } from '@/work/tellUs';
import { textSearch } from '@/work/textSearch';
import { t } from '@/words/help';
import { helpTopicIds, helpTopics, type HelpTopic } from '@/words/helpText';

const isTopic = (id: string | undefined): id is HelpTopic => helpTopicIds.some((x) => x === id);

/** How each page works, in a few lines, with a search over all of them; and a file for who keeps the software. */
export function HelpScreen() {
  const { topic, from } = useLocalSearchParams<{ topic?: string; from?: string }>();
  const [find, setFind] = useState('');
  const all = helpTopicIds.map((id) => ({ id, ...helpTopics[id]() }));
  const found = textSearch(all, (x) => [x.title, ...x.lines].join(' '))(find);
  const first = find.trim() ? null : isTopic(topic) ? topic : null;
  const shown = first ? [all.find((x) => x.id === first)!, ...found.filter((x) => x.id !== first)] : found;
  return (
    <PlaceFrame title={t('help')} line={t('version', { version })}>
      <TextBox
        aria-label={t('searchHelp')}
        placeholder={t('searchHelp')}
        value={find}
        onChangeText={setFind}
        className="mb-3"
      />
      {shown.map((x) => (
        <Disclosure
          key={`${x.id} ${find.trim() ? 'found' : ''}`}
          title={x.title}
          open={x.id === first || find.trim() !== ''}
        >
          {x.lines.map((l) => (
            <Txt key={l} className="mt-1">
              {l}
            </Txt>
          ))}
        </Disclosure>
      ))}
      {shown.length ? null : <Txt tone="ink2">{t('nothingFound')}</Txt>}
      <Link href={'/news' as Href} className="font-body text-m text-ink underline py-3">
        {t('whatChanged')}
      </Link>
      <Tell page={from ?? '/help'} />
    </PlaceFrame>
  );
}

function Tell({ page }: { page: string }) {
  const { shop } = useShop();
  const settings = useSettings();
  const [made, setMade] = useState<string | null>(null);
  const make = () => {
    const name = `northcove-${version}-report.json`;
    const file = tellUs({
      ...{ version, storageFormat, page, settings, browser: navigator.userAgent, at: new Date(nowMs()).toISOString() },
      ...{ trouble: shop?.trouble ?? null, problems: shop?.problems.length ?? 0, unsaved: shop?.unsaved ?? 0 },
      logs: shop ? [...shop.jobs.values()] : [],
    });
    download(name, JSON.stringify(file, null, 2), 'application/json');
    setMade(name);
  };
  return (
    <View className="mt-4">
      <Txt strong size="l" level={2}>
        {t('tellUs')}
      </Txt>
      <Txt className="my-2">{t('tellUsAbout')}</Txt>
      <View className="self-start">
        <Button kind="small" label={t('makeTheFile')} onPress={make} />
      </View>
      {made ? (
        <View role="status">
          <Txt>{t('fileMade', { name: made })}</Txt>
        </View>
      ) : null}
    </View>
  );
}
