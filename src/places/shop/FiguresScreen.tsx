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
    <PlaceFrame title="Figures" line={`${figures.length} numbers with their sources`}>
      <Txt size="s" tone="ink2" className="mb-2">
        u is the standard uncertainty, in the unit of the value. A judgement is changed here, by who knows it better;
        glues also under Adhesives, plates and air under Heaters, waits and prices under Shop and Money.
      </Txt>
      <Entry label="Search figures" value={text} onChange={setText} max={60} />
      <Choice
        label="Source"
        value={kind}
        options={[
          { id: 'all', name: 'All' },
          ...(own ? [{ id: 'own' as const, name: `Own (${own})` }] : []),
          ...(Object.keys(kindNames) as FigureKind[]).map((id) => ({ id, name: kindNames[id] })),
        ]}
        onChange={setKind}
      />
      <View role="status">
        <Txt size="s" tone="ink2">
          {found.length} found{found.length > most ? `, the first ${most} are shown` : ''}
        </Txt>
      </View>
      <View role="list" aria-label="Figures">
        {found.slice(0, most).map((f) => (
          <FigureRow key={`${f.file} ${f.name}`} figure={f} />
        ))}
      </View>
    </PlaceFrame>
  );
}
