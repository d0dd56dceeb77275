import { told } from '@/words/told';
import { useEffect, useRef, useState } from 'react';
import { View } from 'react-native';

import type { Sourced } from '@/core/source';
import type { JobState } from '@/model/fold';
import type { Settings } from '@/model/settings';
import { useSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Disclosure } from '@/ui/Disclosure';
import { useDraft } from '@/ui/draft';
import { TextBox } from '@/ui/TextBox';
import { Txt } from '@/ui/Txt';
import { stamp, toF } from '@/words/units';
import { said } from '@/words/codes';
import { written } from '@/words/written';
import { useActions } from './actions';
import { useSourceLine } from './useFigureWords';
import { t as tr } from '@/words/kit';

export interface WhyRow {
  name: string;
  sourced: Sourced;
  unit: string;
}

export const rowOf = (name: string, sourced: Sourced, unit: string): WhyRow => ({ name, sourced, unit });

/** A value with its uncertainty in the units of the shop. */
function valueText({ sourced: { value, u }, unit }: WhyRow, units: Pick<Settings, 'temperature' | 'length'>): string {
  const number = (v: number) => written(Number(v.toPrecision(4)), 0, 12);
  const both = (show: (v: number) => string, difference = show) =>
    u === undefined ? show(value) : `${show(value)} ± ${difference(u)}`;
  if (unit === 'mm' && units.length === 'in') return `${both((v) => number(v / 25.4))} in`;
  if (unit === '°C' && units.temperature === 'F')
    return `${both(
      (v) => number(toF(v)),
      (v) => number(v * 1.8),
    )} °F`;
  if (unit === 'K' && units.temperature === 'F') return `${both((v) => number(v * 1.8))} °F`;
  return `${both(number)} ${told(unit)}`.trim();
}

/** Values with their sources, as the call used them. */
export function WhyRows({ rows }: { rows: readonly WhyRow[] }) {
  const settings = useSettings();
  const sourceLine = useSourceLine();
  return (
    <View className="mt-1">
      {rows.map((r) => (
        <View key={r.name} className="py-1 border-b border-rule">
          <View className="flex-row justify-between gap-2">
            <Txt size="s" className="flex-1">
              {r.name}
            </Txt>
            <Txt size="s" num>
              {valueText(r, settings)}
            </Txt>
          </View>
          <Txt size="s" tone="ink2">
            {sourceLine(r.sourced)}
          </Txt>
        </View>
      ))}
    </View>
  );
}

function Notes({ of }: { of: NonNullable<WhyProps['notes']> }) {
  return (typeof of === 'function' ? of() : of).map((n) => (
    <Txt key={n} size="s" className="mb-1">
      {n}
    </Txt>
  ));
}

interface WhyProps {
  job: JobState;
  /** name of the call in the log */
  call: string;
  rows: readonly WhyRow[];
  /** sentences; as a function where they cost something: they are made when somebody asks */
  notes?: readonly string[] | (() => readonly string[]);
  inputs: unknown;
  computed: unknown;
}

/** What the call was made from, and the way to overrule it: with a reason that goes into the log. */
export function Why({ job, call, rows, notes = [], inputs, computed }: WhyProps) {
  const { log } = useActions(job);
  const [chosen, setChosen] = useState('');
  const [because, setBecause] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const past = job.decisions.filter((d) => d.call === call && d.because);
  const save = () => {
    if (!chosen.trim() || !because.trim()) {
      setProblem(chosen.trim() ? tr('enterAReasonUpTo500') : tr('enterWhatYouDoInsteadUp'));
      return;
    }
    setProblem(null);
    void log([
      {
        type: 'decision',
        call,
        inputs,
        computed,
        chosen: chosen.trim().slice(0, 500),
        because: because.trim().slice(0, 500),
      },
    ]);
    setChosen('');
    setBecause('');
  };
  return (
    <Disclosure title={tr('whyAndWhatElse')}>
      <Notes of={notes} />
      <WhyRows rows={rows} />
      <Txt strong className="mt-3 mb-1">
        {tr('doItAnotherWay')}
      </Txt>
      <Entry label={tr('whatIsDoneInstead')} value={chosen} onChange={setChosen} />
      <Entry label={tr('reason')} value={because} onChange={setBecause} />
      {problem ? (
        <View role="alert">
          <Txt size="s" tone="caution">
            {problem}
          </Txt>
        </View>
      ) : null}
      <Button kind="small" label={tr('logTheOverride')} onPress={save} />
      {past.map((d) => (
        <Txt key={d.id} size="s" tone="ink2" className="mt-2">
          {tr('because', { at: stamp(d.at), person: d.by, chosen: String(d.chosen), because: said(d.because ?? '') })}
        </Txt>
      ))}
    </Disclosure>
  );
}

export function Entry({
  label,
  value,
  onChange,
  multiline = false,
  max = 500,
  keep = false,
}: {
  label: string;
  value: string;
  onChange: (t: string) => void;
  multiline?: boolean;
  max?: number;
  /** what is typed outlives leaving the page too */
  keep?: boolean;
}) {
  const save = useDraft(label, onChange, keep);
  const typed = (t: string) => {
    onChange(t);
    save(t);
  };
  // sent: the field is empty again
  const before = useRef(value);
  useEffect(() => {
    if (before.current && !value) save(null);
    before.current = value;
  }, [value, save]);
  return (
    <View className="mb-2">
      <Txt size="s" tone="ink2">
        {label}
      </Txt>
      <TextBox aria-label={label} value={value} onChangeText={typed} maxLength={max} multiline={multiline} />
    </View>
  );
}
