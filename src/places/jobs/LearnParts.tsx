import { View } from 'react-native';

import { learnedKinds, type LearnedKind, type ModelNote } from '@/core/device/types';
import { StoredPhoto } from '@/bench-kit/StoredPhoto';
import { useSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { LengthField } from '@/ui/QuantityField';
import { Txt } from '@/ui/Txt';
import { capital } from '@/words/capital';
import { headNames } from '@/words/headNames';
import { t } from '@/words/jobs';
import { t as tk } from '@/words/kit';
import { learnedName, learnedText } from '@/words/learnedNames';
import { told } from '@/words/told';
import { length } from '@/words/units';
import type { LearnState, PlugChoice } from './useLearn';

const plugNames = {
  battery: 'plugBattery',
  press: 'plugPress',
  latch: 'plugLatch',
  coax: 'plugCoax',
} as const satisfies Record<PlugChoice, string>;

/** Before a device is open nobody sees its screws. */
const outsideFirst: readonly LearnedKind[] = ['tip', 'weak', 'pry', 'cable', 'noCable', 'hiddenScrew'];

/** What it is, and what more there is to say of a thing of this kind. */
export function WhatIsIt({ here }: { here: LearnState }) {
  const { job, what, setWhat, needsPlace, atOnce } = here;
  const order = job.opened ? learnedKinds : [...outsideFirst, ...learnedKinds.filter((k) => !outsideFirst.includes(k))];
  return (
    <>
      <Choice
        label={t('whatIsIt')}
        value={what}
        options={order.map((id) => ({ id, name: capital(learnedName(id)) }))}
        onChange={setWhat}
        {...(needsPlace ? { hint: atOnce ? t('tapEachOfThem') : t('tapWhereItIs') } : {})}
      />
      {what === 'screw' ? <ScrewSpec here={here} /> : null}
      {what === 'plug' ? (
        <Choice
          label={t('whichPlug')}
          value={here.plug}
          options={(Object.keys(plugNames) as PlugChoice[]).map((id) => ({ id, name: t(plugNames[id]) }))}
          onChange={here.setPlug}
        />
      ) : null}
      {what === 'part' ? (
        <Choice
          label={t('whichPart')}
          value={here.partId}
          options={here.parts.map((p) => ({ id: p.id, name: told(p.name) }))}
          onChange={here.setPartId}
          hint={t('tapItsMiddleOr')}
        />
      ) : null}
    </>
  );
}

/** Head and length of the screws that are tapped next. */
function ScrewSpec({ here: { screw, setScrew } }: { here: LearnState }) {
  const units = useSettings();
  const heads = Object.keys(headNames) as (keyof typeof headNames)[];
  return (
    <>
      <Choice
        label={t('headOfTheScrews')}
        value={screw.head}
        options={heads.map((id) => ({ id, name: headNames[id] }))}
        onChange={(head) => setScrew({ ...screw, head })}
      />
      <LengthField
        label={t('lengthOfTheScrews')}
        units={units}
        lowMm={0.8}
        highMm={30}
        digits={1}
        valueMm={screw.lengthMm}
        onMm={(lengthMm) => setScrew({ ...screw, lengthMm })}
      />
    </>
  );
}

/** A thing as it is listed: a screw by its name and length. */
export function thingText(l: LearnState['items'][number], units: Parameters<typeof length>[1]): string {
  if (l.thing?.kind === 'screw')
    return t('screwSeen', {
      id: l.thing.id,
      head: headNames[l.thing.head],
      length: length(l.thing.lengthMm, units, 1),
    });
  return learnedText(l.what, l.text);
}

/** A photo that goes with what is noted next. */
export function PhotoOfIt({ here: { photo, addPhoto } }: { here: LearnState }) {
  return (
    <View className="flex-row flex-wrap gap-2 items-center my-1">
      <Button kind="small" label={tk('takeAPhoto')} onPress={() => void addPhoto(true)} />
      <Button kind="small" label={tk('chooseAPhoto')} onPress={() => void addPhoto(false)} />
      {photo ? (
        <>
          <StoredPhoto id={photo} label={t('photoOfWhatIsNoted')} />
          <Txt size="s" role="status">
            {t('goesWithWhatIsNotedNext')}
          </Txt>
        </>
      ) : null}
    </View>
  );
}

/** What was noted on this job, each of which can be taken out. */
export function NotedHere({ here: { items, takeOut } }: { here: LearnState }) {
  const units = useSettings();
  if (!items.length) return null;
  return (
    <View className="mt-3">
      <Txt strong level={2}>
        {t('notedOnThisJob')}
      </Txt>
      <View role="list" aria-label={t('notedOnThisJob')}>
        {items.map((l, i) => (
          <View key={l.itemId} role="listitem" className="flex-row items-center gap-2 border-b border-rule min-h-touch">
            {l.photo ? <StoredPhoto id={l.photo} label={thingText(l, units)} /> : null}
            <Txt className="flex-1">{t('numbered', { n: i + 1, said: thingText(l, units) })}</Txt>
            <Button kind="small" label={t('takeItOut')} onPress={() => takeOut(l)} />
          </View>
        ))}
      </View>
    </View>
  );
}

/** What earlier jobs on this model have left. */
export function FromBefore({ notes }: { notes: readonly ModelNote[] }) {
  if (!notes.length) return null;
  return (
    <View className="mt-3" testID="knownFromBefore">
      <Txt strong level={2}>
        {t('knownFromBefore')}
      </Txt>
      <View role="list" aria-label={t('knownFromBefore')}>
        {notes.map((n) => (
          <View key={n.id} role="listitem" className="border-b border-rule py-2">
            {n.photo ? <StoredPhoto id={n.photo} label={learnedText(n.what, n.text)} /> : null}
            <Txt>{learnedText(n.what, n.text)}</Txt>
            <Txt size="s" tone="ink2">
              {n.from}
            </Txt>
          </View>
        ))}
      </View>
    </View>
  );
}
