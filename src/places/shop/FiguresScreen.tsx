import { useDeferredValue, useMemo, useState } from 'react';
import { View } from 'react-native';

import { Choice } from '@/ui/Choice';
import { PlaceFrame } from '@/bench-kit/PlaceFrame';
import { Entry } from '@/bench-kit/Why';
import { Txt } from '@/ui/Txt';
import figures from './figures.json';
import { figureSearch, kindNames, placeName, words, type FigureKind } from '@/work/findFigures';

const search = figureSearch(figures);

/** Rows at a time: more are found by the search. */
const most = 60;

/** Every number that carries a source, as it stands in the code: what it is worth and where it comes from. */
export function FiguresScreen() {
  const [kind, setKind] = useState<FigureKind | 'all'>('all');
  const [text, setText] = useState('');
  const wanted = useDeferredValue(text);
  const found = useMemo(() => search(kind, wanted), [kind, wanted]);
  return (
    <PlaceFrame title="Figures" line={`${figures.length} numbers with their sources`}>
      <Txt size="s" tone="ink2" className="mb-2">
        u is the standard uncertainty, in the unit of the value. What a shop may know better is changed where it is
        used: glues under Adhesives, plates and air under Heaters, leaks, waits and prices under Shop and Money.
      </Txt>
      <Entry label="Search figures" value={text} onChange={setText} max={60} />
      <Choice
        label="Source"
        value={kind}
        options={[
          { id: 'all', name: 'All' },
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
          <View key={`${f.file} ${f.name}`} role="listitem" className="border-b border-rule py-2">
            <View className="flex-row gap-3 items-start">
              <Txt className="flex-1">{words(f.name.split('.').slice(-3).join(', '))}</Txt>
              <Txt num strong>
                {Number(f.value.toPrecision(6))}
                {f.u === null ? '' : ` ± ${Number(f.u.toPrecision(3))}`}
              </Txt>
            </View>
            <Txt size="s">{f.note}</Txt>
            <Txt size="s" tone="ink2">
              {kindNames[f.kind as FigureKind]} · {placeName(f.file)}
            </Txt>
          </View>
        ))}
      </View>
    </PlaceFrame>
  );
}
