import { useDeferredValue, useMemo, useState } from 'react';
import { View } from 'react-native';

import { Choice } from '@/ui/Choice';
import { PlaceFrame } from '@/bench-kit/PlaceFrame';
import { Entry } from '@/bench-kit/Why';
import { figureKey } from '@/core/source';
import { useSettings } from '@/store/shop';
import { Txt } from '@/ui/Txt';
import { FigureRow } from './FigureRow';
import figures from './figures.json';
import { figureSearch, kindNames, type FigureKind } from '@/work/findFigures';
import { t } from '@/words/shop';

const search = figureSearch(figures);

/** Rows at a time: more are found by the search. */
const most = 60;

/** Every number that carries a source, as it stands in the code: what it is worth and where it comes from. */
export function FiguresScreen() {
  const [kind, setKind] = useState<FigureKind | 'all' | 'own'>('all');
  const [text, setText] = useState('');
  const wanted = useDeferredValue(text);
  const { figures: changed } = useSettings();
  const own = Object.keys(changed).length;
  const found = useMemo(
    () =>
      kind === 'own'
        ? search('all', wanted).filter((f) => changed[figureKey(f.kind, f.value, f.note)])
        : search(kind, wanted),
    [kind, wanted, changed],
  );
  return (
    <PlaceFrame title={t('figures')} line={t('numbersWithTheirSources', { n: figures.length })}>
      <Txt size="s" tone="ink2" className="mb-2">
        {t('uIsTheStandardUncertaintyIn')}
      </Txt>
      <Entry label={t('searchFigures')} value={text} onChange={setText} max={60} />
      <Choice
        label={t('source')}
        value={kind}
        options={[
          { id: 'all', name: t('all') },
          ...(own ? [{ id: 'own' as const, name: t('own', { own }) }] : []),
          ...(Object.keys(kindNames) as FigureKind[]).map((id) => ({ id, name: kindNames[id] })),
        ]}
        onChange={setKind}
      />
      <View role="status">
        <Txt size="s" tone="ink2">
          {found.length > most
            ? t('foundTheFirstAreShown', { n: found.length, most })
            : t('found', { n: found.length })}
        </Txt>
      </View>
      <View role="list" aria-label={t('figures')}>
        {found.slice(0, most).map((f) => (
          <FigureRow key={`${f.file} ${f.name}`} figure={f} />
        ))}
      </View>
    </PlaceFrame>
  );
}
