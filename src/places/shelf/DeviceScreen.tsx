import { useEffect, useState } from 'react';
import { ScrollView, View } from 'react-native';

import type { Device } from '@/core/device/types';
import { deviceSchema } from '@/model/device';
import { repository, useDevices, useShop } from '@/store/shop';
import { PlaceFrame } from '@/bench-kit/PlaceFrame';
import { draftKey, useEditor } from './useEditor';
import {
  EditorActions,
  EditorHead,
  EditorPlan,
  FunctionTicks,
  ItemList,
  ModelActions,
  ChosenItem,
} from './EditorParts';
import { CardLink, SisterField } from './CardLink';
import { LearnedOfModel } from './LearnedOfModel';
import { KnownFields } from './KnownFields';
import { BondFields, CoverFields, SizeFields } from './ModelFields';
import { t } from '@/words/shelf';

/** Opens a model in the editor, with what was typed and not saved the last time. */
export function DeviceScreen({ id }: { id: string }) {
  const { shop } = useShop();
  const devices = useDevices();
  const found = devices.find((d) => d.device.id === id);
  const [draft, setDraft] = useState<Device | null | undefined>(undefined);
  useEffect(() => {
    let gone = false;
    void repository.readExtra(draftKey(id)).then(
      (text) => {
        if (!gone) setDraft(readDraft(text));
      },
      () => {
        if (!gone) setDraft(null);
      },
    );
    return () => {
      gone = true;
    };
  }, [id]);
  // until the shop is read its own versions are not there: the shipped one is not edited in their place
  if (draft === undefined || !shop) return <PlaceFrame title={t('phoneModels')}>{null}</PlaceFrame>;
  const start = draft ?? found?.device;
  if (!start)
    return (
      <PlaceFrame title={t('phoneModels')} line={t('thereIsNoSuchPhoneModel')}>
        {null}
      </PlaceFrame>
    );
  return (
    <Editor key={id} start={start} saved={found?.device ?? null} own={found?.own ?? false} draft={draft !== null} />
  );
}

function readDraft(text: string | null): Device | null {
  if (!text) return null;
  try {
    const read = deviceSchema.safeParse(JSON.parse(text));
    return read.success ? read.data : null;
  } catch {
    return null;
  }
}

function Editor(p: { start: Device; saved: Device | null; own: boolean; draft: boolean }) {
  const here = useEditor(p);
  const { d, line, wide } = here;
  const fields = (
    <View>
      <EditorHead here={here} />
      <CardLink id={d.id} />
      <LearnedOfModel id={d.id} />
      <ChosenItem here={here} />
      <SizeFields here={here} />
      <CoverFields here={here} />
      <BondFields here={here} />
      <ItemList here={here} />
      <KnownFields here={here} />
      <SisterField here={here} />
      <FunctionTicks here={here} />
      <ModelActions here={here} />
    </View>
  );
  return (
    <PlaceFrame title={d.name} line={line} actions={<EditorActions here={here} />}>
      {wide ? (
        <View className="flex-row gap-4">
          <View>
            <EditorPlan here={here} />
          </View>
          <ScrollView className="flex-1">{fields}</ScrollView>
        </View>
      ) : (
        <>
          <EditorPlan here={here} />
          {fields}
        </>
      )}
    </PlaceFrame>
  );
}
