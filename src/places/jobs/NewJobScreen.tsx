import { jointOf } from '@/core/device/jointKinds';
import { zodResolver } from '@hookform/resolvers/zod';
import { addDays } from 'date-fns/addDays';
import { set } from 'date-fns/set';
import { useRouter } from 'expo-router';
import { useEffect } from 'react';
import { Controller, useForm, useWatch, type UseFormReturn } from 'react-hook-form';
import { Pressable, View } from 'react-native';
import { z } from 'zod';

import { stageHref } from '@/bench-kit/stageHref';
import { newId } from '@/store/ids';
import { jobWay } from '@/model/jobWay';
import { stageDefs } from '@/model/stages';
import { jointsOfWay } from '@/model/way';
import type { Device } from '@/core/device/types';
import { append, useJobs, useSettings, useDevices } from '@/store/shop';
import { nowMs } from '@/store/clock';
import { Button } from '@/ui/Button';
import { coverKindOf } from '@/core/device/coverKinds';
import { faceOf } from '@/core/device/perimeter';
import { faceName } from '@/bench-kit/faceName';
import { capital } from '@/words/capital';
import { stageName } from '@/words/stageWords';
import { Choice, Tick } from '@/ui/Choice';
import { languageNames, languages } from '@/words/language';
import { languageIds, type Language } from '@/model/languages';
import { useDraft } from '@/ui/draft';
import { PlaceFrame } from '@/bench-kit/PlaceFrame';
import { readTime } from '@/words/read';
import { TextBox } from '@/ui/TextBox';
import { Txt } from '@/ui/Txt';
import { t as tr } from '@/words/jobs';
import { told } from '@/words/told';

const formSchema = () =>
  z.object({
    deviceId: z.string().min(1, tr('deviceChooseOneFromTheList')),
    joints: z.array(z.string()),
    customerMark: z.string().max(80, tr('markUpTo80Characters')),
    language: z.enum(languageIds),
    promise: z.string().refine((t) => !t.trim() || readTime(t) !== null, tr('promisedForEnterATimeFrom')),
  });

/** The form as it was typed so far. */
const draftSchema = z
  .object({ deviceId: z.string(), customerMark: z.string(), promise: z.string(), language: z.enum(languageIds) })
  .partial();

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}

/** Next free label: J-0143 after J-0142. */
export function nextLabel(labels: readonly string[]): string {
  const top = labels.reduce((m, l) => Math.max(m, Number(/^J-(\d+)$/.exec(l)?.[1] ?? 0)), 0);
  return `J-${String(top + 1).padStart(4, '0')}`;
}

function heldBy(d: Device): string {
  const b = d.bonds[0]!;
  return jointOf(b).name ?? tr('mmRing', { widthMm: b.widthMm });
}

/** Opens a job with its device model copied into the log; returns its id. */
function openJob(
  label: string,
  person: string,
  device: Device,
  bondIds: readonly string[],
  v: z.output<ReturnType<typeof formSchema>>,
  own: Language,
): string {
  const t = readTime(v.promise);
  const now = nowMs();
  const today = t ? set(now, { hours: t.hours, minutes: t.minutes, seconds: 0, milliseconds: 0 }).getTime() : null;
  const promiseAt = today === null ? null : today < now ? addDays(today, 1).getTime() : today;
  const jobId = newId();
  const steps = jobWay(device, bondIds);
  const bondId = jointsOfWay(steps)[0]!;
  void append(jobId, person, [
    {
      type: 'opened',
      label,
      device,
      bondId,
      promiseAt,
      customerMark: v.customerMark.trim(),
      steps,
    },
    ...(v.language === own
      ? []
      : [{ type: 'customer' as const, backup: null, lock: null, note: '', language: v.language }]),
    { type: 'stage', stage: 'intake', to: 'started' },
  ]);
  return jobId;
}

/** What can be opened on a model: each face, and all its lens covers as one. */
const openable = (device: Device): string[] => {
  const lens = device.bonds.filter((b) => coverKindOf(faceOf(device, b)).lens);
  return device.bonds.filter((b) => !lens.includes(b) || b === lens[0]).map((b) => b.id);
};
/** What was chosen, or the first of them. */
const opens = (device: Device, chosen: readonly string[]): string[] => {
  const can = openable(device);
  const own = can.filter((id) => chosen.includes(id));
  return own.length ? own : can.slice(0, 1);
};

type NewJobForm = UseFormReturn<
  z.input<ReturnType<typeof formSchema>>,
  unknown,
  z.output<ReturnType<typeof formSchema>>
>;

/** What is to be opened, where the model has more than one thing to open, and the steps that this makes. */
function WhatOpens({ form, devices }: { form: NewJobForm; devices: readonly Device[] }) {
  // the form tells by proxies, which the compiler would keep
  'use no memo';
  const [deviceId, joints] = useWatch({ control: form.control, name: ['deviceId', 'joints'] });
  const device = devices.find((d) => d.id === deviceId);
  const can = device ? openable(device) : [];
  if (!device || can.length < 2) return null;
  const chosen = opens(device, joints);
  const steps = jobWay(device, chosen).filter((x) => {
    const bond = device.bonds.find((b) => b.id === (x.joint ?? chosen[0]))!;
    return !stageDefs[x.stage].needless({ route: null, bond, face: faceOf(device, bond) });
  });
  return (
    <View className="mb-3" testID="whatOpens">
      <Txt strong className="mb-1">
        {tr('whatIsOpened')}
      </Txt>
      {can.map((id) => (
        <Tick
          key={id}
          label={capital(faceName(device, id))}
          on={chosen.includes(id)}
          onChange={(on) => form.setValue('joints', on ? [...chosen, id] : chosen.filter((x) => x !== id))}
        />
      ))}
      <View role="list" aria-label={tr('stepsOfTheJob')} className="flex-row flex-wrap gap-1" testID="way">
        {steps.map((x) => (
          <View key={x.key} role="listitem" className="border border-ink2 rounded-[4px] px-2 py-1">
            <Txt size="s" strong>
              {stageName(x.stage)}
            </Txt>
            {x.joint !== null && chosen.length > 1 ? (
              <Txt size="s" tone="ink2">
                {faceName(device, x.joint)}
              </Txt>
            ) : null}
          </View>
        ))}
      </View>
    </View>
  );
}

export function NewJobScreen() {
  // the form keeps its state beside React and tells by proxies, which the compiler would keep
  'use no memo';
  const router = useRouter();
  const jobs = useJobs();
  const devices = useDevices();
  const { person, language } = useSettings();
  const form = useForm<z.input<ReturnType<typeof formSchema>>, unknown, z.output<ReturnType<typeof formSchema>>>({
    resolver: zodResolver(formSchema()),
    defaultValues: { deviceId: '', joints: [], customerMark: '', promise: '', language },
  });
  const saveDraft = useDraft(
    tr('newJob2'),
    (text) => {
      const kept = draftSchema.safeParse(parsed(text));
      if (kept.success) form.reset({ deviceId: '', joints: [], customerMark: '', promise: '', language, ...kept.data });
    },
    true,
  );
  useEffect(() => {
    return form.subscribe({
      formState: { values: true },
      callback: ({ values: v }) => saveDraft(v.deviceId || v.customerMark || v.promise ? JSON.stringify(v) : null),
    });
  }, [form, saveDraft]);
  const label = nextLabel(jobs.map((j) => j.label));
  const open = form.handleSubmit((v) => {
    const chosen = devices.find((d) => d.device.id === v.deviceId);
    if (!chosen) return;
    const jobId = openJob(label, person, chosen.device, opens(chosen.device, v.joints), v, language);
    saveDraft(null);
    router.replace(stageHref(jobId, 'intake'));
  });
  const problems = Object.values(form.formState.errors).map((e) => e?.message ?? '');
  return (
    <PlaceFrame
      title={tr('newJob3', { label })}
      line={tr('deviceFirstEverythingElseCanFollow')}
      actions={
        <>
          <View className="flex-1">
            <Button label={tr('back')} onPress={() => router.back()} />
          </View>
          <View className="flex-[2]">
            <Button kind="main" label={tr('openTheJob')} onPress={() => void open()} />
          </View>
        </>
      }
    >
      <Controller
        control={form.control}
        name={`deviceId`}
        render={({ field }) => (
          <View role="radiogroup" aria-label={tr('device')}>
            {devices.map(({ device: d }) => (
              <Pressable
                key={d.id}
                role="radio"
                aria-checked={field.value === d.id}
                aria-label={d.name}
                onPress={() => {
                  field.onChange(d.id);
                  form.setValue('joints', []);
                }}
                className={`min-h-[60px] px-3 mb-2 justify-center rounded-[6px] border-[1.5px] ${field.value === d.id ? 'bg-ink border-ink' : 'bg-panel border-ink2'}`}
              >
                <Txt strong tone={field.value === d.id ? 'onInk' : 'ink'}>
                  {d.name}
                </Txt>
                <Txt size="s" tone={field.value === d.id ? 'onInk' : 'ink2'}>
                  {d.kind}, {heldBy(d)},{' '}
                  {d.cables.length ? d.cables.map((c) => told(c.name)).join(', ') : tr('noCableToTheBack')}
                </Txt>
              </Pressable>
            ))}
          </View>
        )}
      />
      <WhatOpens form={form} devices={devices.map((d) => d.device)} />
      {(
        [
          ['customerMark', tr('markOfTheDeviceNoName'), tr('locker12')],
          ['promise', tr('promisedFor'), '16:30'],
        ] as const
      ).map(([name, title, hint]) => (
        <Controller
          key={name}
          control={form.control}
          name={name}
          render={({ field }) => (
            <View className="mb-2">
              <Txt strong className="mb-1">
                {title}
              </Txt>
              <TextBox
                aria-label={title}
                placeholder={hint}
                value={field.value}
                onChangeText={field.onChange}
                onBlur={field.onBlur}
              />
            </View>
          )}
        />
      ))}
      <Controller
        control={form.control}
        name="language"
        render={({ field }) => (
          <Choice
            label={tr('customerReads')}
            value={field.value}
            options={languages.map((id) => ({ id, name: languageNames[id] }))}
            onChange={field.onChange}
          />
        )}
      />
      {problems.length ? (
        <View role="alert">
          {problems.map((p) => (
            <Txt key={p} tone="caution">
              {p}
            </Txt>
          ))}
        </View>
      ) : null}
    </PlaceFrame>
  );
}
