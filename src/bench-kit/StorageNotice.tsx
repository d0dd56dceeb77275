import { capital } from '@/words/capital';
import { Link } from 'expo-router';
import { useEffect } from 'react';
import { View } from 'react-native';

import { clockNews } from '@/store/clock';
import { tellRefused, useRefusal } from '@/store/refusal';
import { useShop } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Txt } from '@/ui/Txt';
import { clock } from '@/words/units';
import { useNow } from './useNow';
import { t } from '@/words/kit';

const troubleWords = {
  get full() {
    return t('noRoomLeftInThisBrowser');
  },
  get closed() {
    return t('theDatabaseOfThisBrowserWas');
  },
  get silent() {
    return t('theDatabaseOfThisBrowserDoes');
  },
  get newer() {
    return t('aLaterVersionWroteThis');
  },
} as const;

/** Lines above everything when something is not stored, not readable, not noted, or the clock was set back. The rest goes on. */
export function StorageNotice() {
  const { shop, error } = useShop();
  const text = error
    ? t('theStorageOfThisBrowserCannot', { message: error.message })
    : shop && shop.unsaved > 0
      ? shop.unsaved === 1
        ? t('entryIsOnlyInMemoryExport', { trouble: troubleWords[shop.trouble ?? 'full'], unsaved: shop.unsaved })
        : t('entriesAreOnlyInMemoryExport', { trouble: troubleWords[shop.trouble ?? 'full'], unsaved: shop.unsaved })
      : shop?.trouble
        ? t('whatYouNoteNowIsOnly', { trouble: troubleWords[shop.trouble] })
        : shop?.problems.length
          ? shop.problems.length === 1
            ? t('storedEntryCannotBeReadAnd', { n: shop.problems.length })
            : t('storedEntriesCannotBeReadAnd', { count: shop.problems.length })
          : null;
  return (
    <>
      {text ? (
        <View role="alert" className="bg-caution px-4 py-2 flex-row gap-3 no-print">
          <Txt size="s" strong tone="onInk" className="flex-1">
            {text}
          </Txt>
          <Link href="/shop" className="font-strong text-s text-onInk underline">
            {t('shopExport')}
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
        {t('nothingWasChanged', { what: capital(what) })}
      </Txt>
      <Button kind="small" label={t('seen')} onPress={() => tellRefused(null)} />
    </View>
  );
}

function ClockNotice() {
  // reads what changes beside React, so the compiler may keep nothing of it
  'use no memo';
  useNow(5000);
  const news = clockNews();
  if (!news) return null;
  const by = news.backMs < 3_600_000 ? clock(news.backMs / 1e3) : `${Math.round(news.backMs / 3_600_000)} h`;
  return (
    <View role="status" className="bg-panel border-b border-rule px-4 py-2 no-print">
      <Txt size="s" strong>
        {news.followed ? t('thisDevicesClockWasPutBack', { by }) : t('thisDevicesClockWentBackBy', { by })}
      </Txt>
    </View>
  );
}
