import { useState } from 'react';
import { View } from 'react-native';

import { Entry } from '@/bench-kit/Why';
import { figureKey, figureRange, mayEdit, type SourceKind } from '@/core/source';
import { saveSettings, useSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { NumberField } from '@/ui/NumberField';
import { Txt } from '@/ui/Txt';
import type { Figure } from '@/work/findFigures';
import { capital } from '@/words/capital';
import { figureTitle, placeName } from '@/words/figureNames';
import { kindName, noteText, type FigureWords } from '@/words/sourceText';
import { written } from '@/words/written';
import { t } from '@/words/shop';

const number = (v: number) => written(Number(v.toPrecision(6)), 0, 12);
/** Digits behind the point that a value of this size needs. */
const digitsOf = (v: number) => Math.max(0, Math.min(6, 3 - Math.floor(Math.log10(Math.abs(v) || 1))));

/** One figure: what it is worth, where it comes from; a judgement can be changed, with the reason. */
export function FigureRow({ figure: f, said }: { figure: Figure; said: FigureWords | null }) {
  const key = figureKey(f.kind, f.value, f.note);
  const own = useSettings().figures[key];
  const [open, setOpen] = useState(false);
  const { title: name, unit } = figureTitle(f.name, said);
  return (
    <View role="listitem" className="border-b border-rule py-2">
      <View className="flex-row gap-3 items-start">
        <Txt className="flex-1">{name}</Txt>
        <Txt num strong>
          {number(own?.value ?? f.value)}
          {f.u === null ? '' : ` ± ${number(Number(f.u.toPrecision(3)))}`}
          {unit ? ` ${unit}` : ''}
        </Txt>
      </View>
      <Txt size="s">{noteText(f.note, said)}</Txt>
      {own ? <Txt size="s">{t('thisShopsOwnAsShipped', { value: number(f.value), because: own.because })}</Txt> : null}
      <View className="flex-row items-center justify-between gap-3">
        <Txt size="s" tone="ink2" className="flex-1">
          {capital(kindName(f.kind as SourceKind))} · {placeName(f.file, said)}
        </Txt>
        {mayEdit(f.kind) ? (
          <Button kind="small" label={open ? t('leaveIt') : t('change')} onPress={() => setOpen(!open)} />
        ) : null}
      </View>
      {open ? <FigureEdit figure={f} name={name} unit={unit} storeKey={key} onDone={() => setOpen(false)} /> : null}
    </View>
  );
}

function FigureEdit({
  figure: f,
  name,
  unit,
  storeKey,
  onDone,
}: {
  figure: Figure;
  name: string;
  unit: string;
  storeKey: string;
  onDone: () => void;
}) {
  const settings = useSettings();
  const own = settings.figures[storeKey];
  const { low, high } = figureRange(f.value);
  const [value, setValue] = useState(own?.value ?? f.value);
  const [because, setBecause] = useState(own?.because ?? '');
  const reason = because.trim();
  const put = (figures: typeof settings.figures) => {
    onDone();
    void saveSettings({ ...settings, figures });
  };
  return (
    <View className="bg-panel border border-rule p-3 mt-2 gap-2">
      <NumberField
        label={t('ownValue', { name })}
        unit={unit}
        low={Number(low.toPrecision(6))}
        high={Number(high.toPrecision(6))}
        digits={digitsOf(f.value)}
        value={value}
        onCommit={setValue}
      />
      <Entry label={t('whyForWhoeverReadsItLater')} value={because} onChange={setBecause} max={200} />
      <View className="flex-row gap-3">
        <Button
          kind="small"
          label={t('countWithIt')}
          disabled={!reason || value === f.value}
          {...(reason
            ? value === f.value
              ? { why: t('thisIsTheShippedValue') }
              : {}
            : { why: t('theReasonIsMissing') })}
          onPress={() => put({ ...settings.figures, [storeKey]: { value, because: reason } })}
        />
        {own ? (
          <Button
            kind="small"
            label={t('asShipped')}
            onPress={() => {
              const { [storeKey]: _gone, ...rest } = settings.figures;
              put(rest);
            }}
          />
        ) : null}
      </View>
      <Txt size="s" tone="ink2">
        {t('thePageLoadsAgainAndFrom')}
      </Txt>
    </View>
  );
}
