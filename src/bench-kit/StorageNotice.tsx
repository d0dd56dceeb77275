import { Link } from 'expo-router';
import { useEffect } from 'react';
import { View } from 'react-native';

import { clockNews } from '@/store/clock';
import { tellRefused, useRefusal, useShop } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Txt } from '@/ui/Txt';
import { clock } from '@/words/units';
import { useNow } from './useNow';

const troubleWords = {
  full: 'Storage full',
  closed: 'The database of this browser was closed or cleared',
  silent: 'The database of this browser does not answer',
} as const;

/** Lines above everything when something is not stored, not readable, not noted, or the clock was set back. The rest goes on. */
export function StorageNotice() {
  const { shop, error } = useShop();
  const text = error
    ? `The storage of this browser cannot be opened: ${error.message}`
    : shop && shop.unsaved > 0
      ? `${troubleWords[shop.trouble ?? 'full']}: ${shop.unsaved} ${shop.unsaved === 1 ? 'entry is' : 'entries are'} only in memory. Export now.`
      : shop?.trouble
        ? `${troubleWords[shop.trouble]}: what is noted now is only in memory. Export it before this page is closed.`
        : shop?.problems.length
          ? `${shop.problems.length} stored ${shop.problems.length === 1 ? 'entry is' : 'entries are'} not readable and set aside.`
          : null;
  return (
    <>
      {text ? (
        <View role="alert" className="bg-caution px-4 py-2 flex-row gap-3 no-print">
          <Txt size="s" strong tone="onInk" className="flex-1">
            {text}
          </Txt>
          <Link href="/shop" className="font-strong text-s text-onInk underline">
            Shop: export
          </Link>
        </View>
      ) : null}
      <Refusal />
      <ClockNotice />
    </>
  );
}

/** An entry that would not be read again: it was not noted, and why. Also for what was begun without waiting for its end. */
function Refusal() {
  const what = useRefusal();
  useEffect(() => {
    const late = (e: PromiseRejectionEvent) => {
      const reason: unknown = e.reason;
      if (!(reason instanceof Error) || !/^(not noted|the storage)/.test(reason.message)) return;
      e.preventDefault();
      tellRefused(reason.message);
    };
    window.addEventListener('unhandledrejection', late);
    return () => window.removeEventListener('unhandledrejection', late);
  }, []);
  if (!what) return null;
  return (
    <View role="alert" className="bg-caution px-4 py-2 flex-row items-center gap-3 no-print" testID="refused">
      <Txt size="s" strong tone="onInk" className="flex-1">
        {what[0]!.toUpperCase()}
        {what.slice(1)}. Nothing was changed.
      </Txt>
      <Button kind="small" label="Seen" onPress={() => tellRefused(null)} />
    </View>
  );
}

function ClockNotice() {
  useNow(5000);
  const news = clockNews();
  if (!news) return null;
  const by = news.backMs < 3_600_000 ? clock(news.backMs / 1e3) : `${Math.round(news.backMs / 3_600_000)} h`;
  return (
    <View role="status" className="bg-panel border-b border-rule px-4 py-2 no-print">
      <Txt size="s" strong>
        {news.followed
          ? `This device’s clock was put back by ${by}. The order of the entries stays as they were tapped; look at times that run.`
          : `This device’s clock went back by ${by}. Times that run go on by what has really passed.`}
      </Txt>
    </View>
  );
}
