import { useState } from 'react';
import { View } from 'react-native';

import { readTime } from '@/words/read';
import type { Settings } from '@/model/settings';
import { Choice, Tick } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { NumberField } from '@/ui/NumberField';
import { TextBox } from '@/ui/TextBox';
import { TimeField } from '@/ui/TimeField';
import { Txt } from '@/ui/Txt';
import { own } from '@/core/bare';
import { t as tr } from '@/words/shop';

type Change = Partial<Pick<Settings, 'hours' | 'rota' | 'testers' | 'openBeforePart' | 'clips'>>;

const dayNames = () => [
  tr('sunday'),
  tr('monday'),
  tr('tuesday'),
  tr('wednesday'),
  tr('thursday'),
  tr('friday'),
  tr('saturday'),
];
const clockText = (min: number) =>
  `${String(Math.floor(min / 60)).padStart(2, '0')}:${String(min % 60).padStart(2, '0')}`;
/** the week begins on Monday */
const order = [1, 2, 3, 4, 5, 6, 0];

/** "09:00 to 18:00", or closed. Null when it is neither. */
export function readSpan(text: string): { fromMin: number; toMin: number } | 'closed' | null {
  if (/^\s*(closed|-)?\s*$/i.test(text)) return 'closed';
  const m = /^\s*(\S+)\s*(?:to|-|–)\s*(\S+)\s*$/.exec(text);
  const end = m?.[2] === '24:00' ? { hours: 24, minutes: 0 } : m ? readTime(m[2]!) : null;
  const from = m ? readTime(m[1]!) : null;
  if (!from || !end) return null;
  const span = { fromMin: from.hours * 60 + from.minutes, toMin: end.hours * 60 + end.minutes };
  return span.toMin > span.fromMin ? span : null;
}

function SpanField({
  label,
  value,
  onCommit,
}: {
  label: string;
  value: string;
  onCommit: (v: { fromMin: number; toMin: number } | null) => void;
}) {
  const [text, setText] = useState<string | null>(null);
  const [problem, setProblem] = useState(false);
  const commit = () => {
    if (text === null) return;
    const read = readSpan(text);
    setProblem(read === null);
    if (read === null) return;
    setText(null);
    onCommit(read === 'closed' ? null : read);
  };
  return (
    <View className="mb-2">
      <View className="flex-row items-center gap-3">
        <Txt className="w-[104px]">{label}</Txt>
        <View className="flex-1">
          <TextBox
            aria-label={tr('openFromAndTo', { label })}
            bad={problem}
            value={text ?? value}
            onChangeText={(t) => {
              setText(t);
              setProblem(false);
            }}
            onBlur={commit}
            onSubmitEditing={commit}
          />
        </View>
      </View>
      {problem ? (
        <View role="alert">
          <Txt size="s" tone="caution">
            {tr('enterTheHoursAs0900', { label, given: text?.slice(0, 20) })}
          </Txt>
        </View>
      ) : null}
    </View>
  );
}

/** When the shop is open and who is there when: what the plan of the bench is made from. */
export function Hours({ settings: s, onChange }: { settings: Settings; onChange: (c: Change) => void }) {
  const rotaOf = (p: string) => own(s.rota, p) ?? { breakFromMin: null, breakMin: 0, off: [] };
  const putRota = (p: string, c: Partial<Settings['rota'][string]>) =>
    onChange({ rota: { ...s.rota, [p]: { ...rotaOf(p), ...c } } });
  const openDays = s.hours.days.filter((d) => d !== null).length;
  return (
    <>
      <Disclosure title={tr('openingHoursDaysAWeek', { openDays })}>
        {order.map((d) => {
          const h = s.hours.days[d];
          return (
            <SpanField
              key={d}
              label={dayNames()[d]!}
              value={h ? tr('to', { fromMin: clockText(h.fromMin), toMin: clockText(h.toMin) }) : tr('closed')}
              onCommit={(v) => onChange({ hours: { days: s.hours.days.map((x, i) => (i === d ? v : x)) } })}
            />
          );
        })}
        {openDays ? null : (
          <View role="alert">
            <Txt size="s" tone="caution">
              {tr('aShopThatNeverOpensHas')}
            </Txt>
          </View>
        )}
      </Disclosure>
      {s.people.map((p) => {
        const r = rotaOf(p);
        return (
          <Disclosure key={p} title={tr('breakAndDaysOff', { p })}>
            <Choice
              label={tr('breakOf', { p })}
              value={r.breakFromMin === null ? 'none' : 'yes'}
              options={[
                { id: 'none', name: tr('none') },
                { id: 'yes', name: tr('aBreak') },
              ]}
              onChange={(v) => putRota(p, v === 'none' ? { breakFromMin: null } : { breakFromMin: 750, breakMin: 30 })}
            />
            {r.breakFromMin === null ? null : (
              <>
                <TimeField
                  label={tr('breakOfBegins', { p })}
                  value={new Date(2000, 0, 1, 0, r.breakFromMin).getTime()}
                  onCommit={(h, m) => putRota(p, { breakFromMin: h * 60 + m })}
                />
                <NumberField
                  label={tr('breakOfTakes', { p })}
                  unit="min"
                  low={5}
                  high={480}
                  value={r.breakMin}
                  onCommit={(v) => putRota(p, { breakMin: Math.round(v) })}
                />
              </>
            )}
            {order.map((d) => (
              <Tick
                key={d}
                label={tr('isOffOn', { p, d: dayNames()[d] })}
                on={r.off.includes(d)}
                onChange={(on) => putRota(p, { off: on ? [...r.off, d] : r.off.filter((x) => x !== d) })}
              />
            ))}
          </Disclosure>
        );
      })}
      <NumberField
        label={tr('pressureTesters')}
        unit="here"
        low={0}
        high={20}
        value={s.testers}
        onCommit={(v) => onChange({ testers: Math.round(v) })}
      />
      <Tick
        label={tr('openADeviceBeforeItsPart')}
        note={tr('thenOnlyFittingWaitsForThe')}
        on={s.openBeforePart}
        onChange={(openBeforePart) => onChange({ openBeforePart })}
      />
    </>
  );
}
