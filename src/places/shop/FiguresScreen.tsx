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
import { figureKinds, figureSearch, type FigureKind } from '@/work/findFigures';
import { useFigureWords } from '@/bench-kit/useFigureWords';
import { capital } from '@/words/capital';
import { figureTitle, placeName } from '@/words/figureNames';
import { kindName, noteText } from '@/words/sourceText';
import { t } from '@/words/shop';

/** Rows at a time: more are found by the search. */
const most = 60;

/** Every number that carries a source, as it stands in the code: what it is worth and where it comes from. */
export function FiguresScreen() {
  const [kind, setKind] = useState<FigureKind | 'all' | 'own'>('all');
  const [text, setText] = useState('');
  const wanted = useDeferredValue(text);
  const { figures: changed } = useSettings();
  const own = Object.keys(changed).length;
  const said = useFigureWords();
  // found by the words that are shown, and by those of the code
  const search = useMemo(
    () =>
      figureSearch(figures, (f) =>
        [figureTitle(f.name, said).title, placeName(f.file, said), noteText(f.note, said)].join(' '),
      ),
    [said],
  );
  const found = useMemo(
    () =>
      kind === 'own'
        ? search('all', wanted).filter((f) => changed[figureKey(f.kind, f.value, f.note)])
        : search(kind, wanted),
    [search, kind, wanted, changed],
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
          ...figureKinds.map((id) => ({ id, name: capital(kindName(id)) })),
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
          <FigureRow key={`${f.file} ${f.name}`} figure={f} said={said} />
        ))}
      </View>
    </PlaceFrame>
  );
}
