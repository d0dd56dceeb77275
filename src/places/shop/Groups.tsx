import { useEffect, useRef, useState, type ReactNode } from 'react';
import { View } from 'react-native';

import { Button } from '@/ui/Button';
import { TextBox } from '@/ui/TextBox';
import { Txt } from '@/ui/Txt';
import { useWide } from '@/ui/useWide';
import { t } from '@/words/shop';

export interface Group {
  id: string;
  name: string;
  content: ReactNode;
}

/** Accents and capitals do not count. */
const plain = (s: string) => s.normalize('NFD').replace(/\p{M}/gu, '').toLocaleLowerCase();

/** All that a part of the page says: its text and the names of its fields. */
function saidOn(e: HTMLElement): string {
  const names = [...e.querySelectorAll('[aria-label]')].map((x) => x.getAttribute('aria-label'));
  return plain([e.textContent, ...names].join(' '));
}

/**
 * Settings in groups with a search over all that stands on the page, in the language that is spoken. Groups that do not have what
 * is looked for are put away and keep what was typed in them.
 */
export function Groups({ groups }: { groups: readonly Group[] }) {
  const wide = useWide();
  const [typed, setTyped] = useState('');
  const [hidden, setHidden] = useState<ReadonlySet<string>>(new Set());
  const parts = useRef(new Map<string, HTMLElement>());
  useEffect(() => {
    const words = plain(typed).split(/\s+/).filter(Boolean);
    const gone = [...parts.current].filter(([, e]) => {
      const text = saidOn(e);
      return !words.every((w) => text.includes(w));
    });
    // what is on the page is known once it is drawn
    const id = requestAnimationFrame(() => setHidden(new Set(gone.map(([g]) => g))));
    return () => cancelAnimationFrame(id);
  }, [typed]);
  const box = (g: Group) => (
    <View
      key={g.id}
      ref={(e) => {
        if (e) parts.current.set(g.id, e as unknown as HTMLElement);
        else parts.current.delete(g.id);
      }}
      role="region"
      aria-label={g.name}
      className={hidden.has(g.id) ? 'hidden' : 'bg-panel border border-rule rounded-card p-4 mb-4'}
    >
      <Txt strong size="l" level={2} className="mb-2">
        {g.name}
      </Txt>
      {g.content}
    </View>
  );
  const column = (k: number) => groups.filter((_, i) => i % 2 === k).map(box);
  return (
    <>
      <View className="mb-3 flex-row gap-2 items-center" accessibilityRole="search" aria-label={t('find')}>
        <TextBox
          aria-label={t('find')}
          placeholder={t('findHint')}
          value={typed}
          maxLength={60}
          onChangeText={setTyped}
          className="flex-1"
        />
        {typed ? <Button kind="small" label={t('clearFind')} onPress={() => setTyped('')} /> : null}
      </View>
      {typed && hidden.size === groups.length ? <Txt>{t('nothingFound', { typed })}</Txt> : null}
      {wide ? (
        <View className="flex-row gap-4">
          <View className="flex-1">{column(0)}</View>
          <View className="flex-1">{column(1)}</View>
        </View>
      ) : (
        groups.map(box)
      )}
    </>
  );
}
