import { Link, type Href } from 'expo-router';

import { useDevices } from '@/store/shop';
import { Choice } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { t } from '@/words/shelf';
import type { EditorState } from './useEditor';

/** To the card of a model: what to lay out and to know before one is opened. */
export function CardLink({ id }: { id: string }) {
  return (
    <Link href={`/shelf/${id}/card` as Href} className="font-body text-m text-ink underline py-2 min-h-touch">
      {t('openTheCard')}
    </Link>
  );
}

/** The model that this one is the same as but for some differences: what was learned on one is told on the other. */
export function SisterField({ here: { d, change } }: { here: EditorState }) {
  const devices = useDevices();
  const others = devices.map((x) => x.device).filter((x) => x.id !== d.id);
  return (
    <Disclosure title={t('sameAs')}>
      <Choice
        label={t('sameAs')}
        value={d.sisterOf ?? 'none'}
        options={[{ id: 'none', name: t('ofItsOwn') }, ...others.map((x) => ({ id: x.id, name: x.name }))]}
        onChange={(id) => change((x) => ({ ...x, sisterOf: id === 'none' ? undefined : id }))}
      />
    </Disclosure>
  );
}
