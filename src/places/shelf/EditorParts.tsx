import { useState } from 'react';
import { Pressable, View } from 'react-native';

import { withKnown } from '@/core/device/known';
import type { Device, Outline } from '@/core/device/types';
import { functionTests } from '@/core/functions/tables';
import { modelPhotoIds, writeDeviceFile } from '@/model/files';
import { usePhotoStrength } from '@/bench-kit/PhotoPlan';
import { useUnder } from '@/bench-kit/useUnder';
import { Entry } from '@/bench-kit/Why';
import { repository } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Choice, Tick } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { download } from '@/ui/download';
import { DeviceBody, DeviceLines } from '@/ui/plan/BaseLayer';
import { Outlines } from '@/ui/plan/pieceLayers';
import { Plan } from '@/ui/plan/Plan';
import { Txt } from '@/ui/Txt';
import { guessLine } from './KnownFields';
import { withShapeBothSides } from './editorState';
import { removed, withItem, withTwin } from './editItems';
import { ItemFields, partKinds } from './ItemFields';
import { PhotoOfModel } from './PhotoOfModel';
import { draftKey } from './useEditor';
import type { EditorState } from './useEditor';
import { t } from '@/words/shelf';
import { told } from '@/words/told';
import { functionName } from '@/words/functions';

/** Undo and save. */
export function EditorActions({ here: { s, act, dirty, problems, save } }: { here: EditorState }) {
  return (
    <>
      <View className="flex-1">
        <Button label={t('undo')} disabled={!s.past.length} onPress={() => act({ do: 'undo' })} />
      </View>
      <View className="flex-[2]">
        <Button
          kind="main"
          label={t('saveTheModel')}
          disabled={!dirty || problems.length > 0}
          {...(problems.length
            ? { why: t('toPutRight', { n: problems.length }) }
            : dirty
              ? {}
              : { why: t('nothingChanged') })}
          onPress={() => void save()}
        />
      </View>
    </>
  );
}

/** The model, drawn and dragged. */
export function EditorPlan({ here }: { here: EditorState }) {
  const { view, planWidth, wide, height, d, face, items, onDrag, chosen, s, act } = here;
  const [inside, setInside] = useState(false);
  const { layer, control } = usePhotoStrength(useUnder(d, face, inside));
  return (
    <View>
      <Plan
        device={view.device}
        bond={view.bond}
        width={planWidth}
        height={wide ? Math.max(320, height - 260) : 380}
        label={`${d.name}, ${told(face.name)}`}
        lines={[...items.map((x) => x.name), ...view.device.cables.map((c) => c.name)]}
        onDrag={onDrag}
      >
        <DeviceBody />
        {layer}
        <Outlines items={items.map((x) => ({ shape: x.shape, on: x === chosen }))} />
        <DeviceLines />
      </Plan>
      {control}
      <PhotoOfModel here={here} inside={inside} onInside={setInside} />
      {s.drawn !== d ? (
        <Txt size="s" tone="caution">
          {t('thePlanShowsTheLastModel')}
        </Txt>
      ) : null}
      <Tick label={t('bothSidesAtOnce')} on={s.symmetric} onChange={(on) => act({ do: 'symmetric', on })} />
    </View>
  );
}

/** What was said, what is wrong, name and face. */
export function EditorHead({ here: { message, problems, d, change, s, act } }: { here: EditorState }) {
  return (
    <>
      {message ? (
        <View role={message.bad ? 'alert' : 'status'}>
          <Txt tone={message.bad ? 'caution' : 'go'} testID="message">
            {message.text}
          </Txt>
        </View>
      ) : null}
      <View
        role={problems.length ? 'alert' : 'status'}
        testID="checks"
        className={`border-[1.5px] p-3 my-2 bg-panel ${problems.length ? 'border-caution' : 'border-go'}`}
      >
        {problems.length ? (
          problems.slice(0, 6).map((p) => (
            <Txt key={`${p.field}${p.given}${p.allowed}`} size="s" tone="caution">
              {t('youEntered', { field: p.field, allowed: p.allowed, given: told(p.given) })}
            </Txt>
          ))
        ) : (
          <>
            <Txt size="s">{t('theModelHoldsTogetherNothingOutside')}</Txt>
            {guessLine(d) ? (
              <Txt size="s" testID="guessed">
                {guessLine(d)}
              </Txt>
            ) : null}
          </>
        )}
      </View>
      <Entry
        label={t('nameOfTheModel')}
        value={d.name}
        onChange={(name) => change((x) => ({ ...x, name: name || 'model' }))}
        max={80}
      />
      {d.bonds.length > 1 ? (
        <Choice
          label={t('side')}
          value={s.bondId}
          options={d.bonds.map((b) => ({
            id: b.id,
            name: d.faces.find((f) => f.id === b.onFace)?.name ?? b.onFace,
          }))}
          onChange={(bondId) => act({ do: 'bond', bondId })}
        />
      ) : null}
    </>
  );
}

/** The item that is chosen, with its fields. */
export function ChosenItem({ here: { s, d, change, select } }: { here: EditorState }) {
  return s.selected ? (
    <View className="border-[1.5px] border-ink p-3 mb-3 bg-panel" testID="item">
      <ItemFields
        device={d}
        bondId={s.bondId}
        item={s.selected}
        onShape={(shape: Outline) => {
          const item = s.selected!;
          change((x) =>
            withKnown(withShapeBothSides(x, s.bondId, item, shape, s.symmetric), `${item.kind}:${item.id}`, 'measured'),
          );
        }}
        onItem={(make) => {
          const item = s.selected!;
          change((x) => withItem(x, s.bondId, item, make as never));
        }}
      />
      <View className="flex-row flex-wrap gap-2 mt-2">
        <Button
          kind="small"
          label={t('twinOnTheOtherSide')}
          disabled={s.selected.kind === 'cable' || !withTwin(d, s.bondId, s.selected)}
          onPress={() => {
            const twin = withTwin(d, s.bondId, s.selected!);
            if (!twin) return;
            change(() => twin.device);
            select(twin.item);
          }}
        />
        <Button
          kind="small"
          label={t('takeItOut')}
          onPress={() => {
            const item = s.selected!;
            select(null);
            change((x) => removed(x, s.bondId, item));
          }}
        />
        <Button kind="small" label={t('close')} onPress={() => select(null)} />
      </View>
    </View>
  ) : null;
}

/** Lenses, parts, cables, screws. */
export function ItemList({ here: { items, view, add, select, s } }: { here: EditorState }) {
  return (
    <Disclosure title={t('lensesPartsCablesScrews', { n: items.length + view.device.cables.length })} open>
      <View className="flex-row flex-wrap gap-2 mb-3">
        <Button kind="small" label={t('addALens')} onPress={() => add('hole')} />
        <Button kind="small" label={t('addACable')} onPress={() => add('cable')} />
        <Button kind="small" label={t('addAScrew')} onPress={() => add('screw')} />
        <Button kind="small" label={t('addAGluedPatch')} onPress={() => add('patch')} />
        {partKinds.slice(0, 9).map((k) => (
          <Button key={k.id} kind="small" label={t('add', { name: k.name })} onPress={() => add('part', k.id)} />
        ))}
      </View>
      <View role="list" aria-label={t('items')}>
        {[
          ...items.map((x) => ({ kind: x.kind, id: x.id, name: x.name })),
          ...view.device.cables.map((c) => ({ kind: 'cable' as const, id: c.id, name: c.name })),
        ].map((x) => (
          <View key={`${x.kind}${x.id}`} role="listitem">
            <Pressable
              role="button"
              aria-label={t('edit', { name: x.name })}
              onPress={() => select({ kind: x.kind, id: x.id })}
              className="min-h-touch justify-center border-b border-rule"
            >
              <Txt strong={s.selected?.id === x.id && s.selected.kind === x.kind}>{told(x.name)}</Txt>
            </Pressable>
          </View>
        ))}
      </View>
    </Disclosure>
  );
}

/** What it can do. */
export function FunctionTicks({ here: { d, change } }: { here: EditorState }) {
  return (
    <Disclosure title={t('functions', { n: d.functions.length })}>
      {functionTests.map((f) => (
        <Tick
          key={f.id}
          label={functionName(f.id)}
          on={d.functions.includes(f.id)}
          onChange={(on) =>
            change((x) => ({
              ...x,
              functions: on ? [...x.functions, f.id] : x.functions.filter((y) => y !== f.id),
            }))
          }
        />
      ))}
    </Disclosure>
  );
}

/** The model as a file, with the photos that lie under its plan. */
async function exportModel(d: Device): Promise<void> {
  const photos = await repository.readPhotos(modelPhotoIds([d]));
  download(`${d.id}.device.northcove.json`, writeDeviceFile(d, Date.now(), photos));
}

/** Duplicated, exported, dropped. */
export function ModelActions({ here: { duplicate, d, dirty, saved, setDirty, act } }: { here: EditorState }) {
  return (
    <View className="flex-row flex-wrap gap-2 mt-3">
      <Button kind="small" label={t('duplicate')} onPress={() => void duplicate()} />
      <Button kind="small" label={t('exportTheModel')} onPress={() => void exportModel(d)} />
      {dirty && saved ? (
        <Button
          kind="small"
          label={t('dropTheChanges')}
          onPress={() => {
            void repository.writeExtra(draftKey(d.id), '');
            setDirty(false);
            act({ do: 'reset', device: saved });
          }}
        />
      ) : null}
    </View>
  );
}
