import { useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { Image, Pressable, View, type GestureResponderEvent } from 'react-native';

import { cameraFigures } from '@/core/camera/compare';
import { shotFigures, type Shot } from '@/core/camera/shot';
import { speckFigures } from '@/core/camera/specks';
import { coverFigures } from '@/core/fit/lensCover';
import type { JobState } from '@/model/fold';
import { targetSvg } from '@/model/targetSvg';
import { useActions } from '@/bench-kit/actions';
import { cameraOf, flareWords, lensesOf, sharpWords } from '@/work/check/cameraJob';
import { JobPage } from '@/bench-kit/JobPage';
import { LongRunLine } from '@/bench-kit/LongRunLine';
import { stageHref } from '@/bench-kit/stageHref';
import { useLongRun } from '@/bench-kit/useLongRun';
import { rowOf, Why } from '@/bench-kit/Why';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { capital } from '@/words/capital';
import { Choice } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { download, pickFile } from '@/ui/download';
import { Message, refused, type Told } from '@/ui/Message';
import { Readings } from '@/ui/Readings';
import { Txt } from '@/ui/Txt';
import { percent, stamp } from '@/words/units';
import { useNow } from '@/bench-kit/useNow';
import { flatInWorker, tappedInWorker, targetInWorker, type FlatResult } from '@/workers/cameraClient';
import { CoverSeat } from './CoverSeat';

type Phase = 'before' | 'after';

/** What a picture cannot show stands on the page, not behind it. */
const cannotSee =
  'Dust on the outer cover is too far out of focus to be seen as specks: it shows as flare, and by eye at a glancing angle. Sharp specks are dust near the sensor.';

/** Width over height of a picture that was loaded, as this platform tells it. */
const shapeOf = (e: unknown): number | null => {
  const img = (e as { nativeEvent?: { target?: { naturalWidth?: number; naturalHeight?: number } } }).nativeEvent
    ?.target;
  return img?.naturalWidth && img.naturalHeight ? img.naturalWidth / img.naturalHeight : null;
};

/** Camera cover: a target before and after, an even field, and how the cover sits. */
export function CameraScreen({ job }: { job: JobState }) {
  const now = useNow(30_000);
  const router = useRouter();
  const { log, undo } = useActions(job);
  const lenses = lensesOf(job);
  const [lens, setLens] = useState(lenses[0]?.id ?? 'lens');
  const [phase, setPhase] = useState<Phase>(job.opened ? 'after' : 'before');
  const [file, setFile] = useState<File | null>(null);
  const [url, setUrl] = useState<string | null>(null);
  const [message, setMessage] = useState<Told | null>(null);
  const [taps, setTaps] = useState(0);
  const [shape, setShape] = useState(4 / 3);
  const shots = useLongRun<Shot>();
  const fields = useLongRun<FlatResult>();
  const view = cameraOf(job, lens);
  const mine = job.cameraShots.filter((s) => s.lens === lens);
  useEffect(() => () => (url ? URL.revokeObjectURL(url) : undefined), [url]);

  const takeTarget = async () => {
    const chosen = await pickFile('image/*');
    if (!chosen) return;
    setMessage(null);
    setFile(chosen);
    setTaps(0);
    setUrl(URL.createObjectURL(chosen));
    const shot = await shots.start((tell) => targetInWorker(chosen, tell));
    if (!shot) return;
    await log([
      {
        type: 'cameraShot',
        phase,
        lens,
        edges: shot.edges.map(({ key, mtf50 }) => ({ key, mtf50 })),
        patch: shot.patch,
      },
    ]);
    setMessage({
      text: `${chosen.name}: ${shot.edges.length} edges measured${shot.left.length ? `, ${shot.left.length} not` : ''}.`,
      bad: false,
    });
  };
  const tap = async (e: GestureResponderEvent) => {
    if (!file) return;
    const box = (e.currentTarget as unknown as HTMLElement).getBoundingClientRect();
    const { clientX: x, clientY: y } = e.nativeEvent as unknown as MouseEvent;
    const key = `tap${taps + 1}`;
    try {
      const edge = await tappedInWorker(file, [(x - box.left) / box.width, (y - box.top) / box.height], key).result;
      setTaps(taps + 1);
      await log([{ type: 'cameraShot', phase, lens, edges: [{ key, mtf50: edge.mtf50 }], patch: null }]);
      setMessage({ text: `Edge ${taps + 1}: half contrast at ${edge.mtf50.toFixed(3)} cycles per pixel.`, bad: false });
    } catch (err) {
      setMessage(refused(err instanceof Error ? err.message : 'not measured'));
    }
  };
  const takeField = async () => {
    const chosen = await pickFile('image/*');
    if (!chosen) return;
    setMessage(null);
    const r = await fields.start((tell) => flatInWorker(chosen, tell));
    if (!r) return;
    const count = (kind: 'dark' | 'bright') => r.specks.filter((s) => s.kind === kind).length;
    await log([
      {
        type: 'flatShot',
        phase,
        lens,
        dark: count('dark'),
        bright: count('bright'),
        deepest: Math.min(1, Math.max(0, ...r.specks.map((s) => Math.abs(s.peak)))),
      },
    ]);
    setMessage({
      text: `${chosen.name}: ${r.specks.length ? `${r.specks.length} ${r.specks.length === 1 ? 'speck' : 'specks'}, the strongest ${percent(Math.abs(r.specks[0]!.peak))}` : 'no speck seen'}.`,
      bad: false,
    });
  };
  const { sharp, flare } = view;
  const bad =
    sharp?.verdict === 'clearLoss' ||
    sharp?.verdict === 'someLoss' ||
    flare?.verdict === 'added' ||
    view.seat?.seated === false;
  const text = sharp
    ? {
        sentence: `${capital(sharpWords[sharp.verdict])}${flare ? `, ${flareWords[flare.verdict]}` : ''}.`,
        reason: bad
          ? 'Look at the lens and the cover at a glancing angle, clean both, and take the pictures again.'
          : `Sharpness after over before ${sharp.ratio.toFixed(2)} (${sharp.low.toFixed(2)} to ${sharp.high.toFixed(2)}).`,
      }
    : {
        sentence: mine.some((s) => s.phase === 'before')
          ? 'Now a picture through the new cover.'
          : 'A picture of the target.',
        reason:
          'Taken with the device itself and brought here as a file, not scaled down. Same distance and light both times, focus held by a tap, white all round the target.',
      };
  const problem = shots.problem ?? fields.problem;
  return (
    <JobPage
      job={job}
      title="Camera cover"
      now={now}
      stage="check"
      lead={<Call {...text} tone={bad ? 'caution' : 'ink'} />}
      main={<Button kind="main" label="Back to check" onPress={() => router.replace(stageHref(job.id, 'check'))} />}
      side={<Button label="Target" onPress={() => download('target.svg', targetSvg(), 'image/svg+xml')} />}
    >
      <View className="mt-3" />
      <Readings
        items={[
          {
            id: 'sharp',
            value: sharp ? `${sharp.ratio.toFixed(2)} ×` : '–',
            label: sharp
              ? `sharpness, ${sharp.low.toFixed(2)} to ${sharp.high.toFixed(2)}`
              : 'sharpness after over before',
            tone: sharp
              ? sharp.verdict === 'noLoss'
                ? 'go'
                : sharp.verdict === 'undecided'
                  ? 'ink'
                  : 'caution'
              : 'ink',
          },
          {
            id: 'flare',
            value: flare ? `${(100 * flare.added).toFixed(1)} %` : '–',
            label: flare
              ? `of white added in the black, ± ${(200 * flare.u).toFixed(1)}, limit ${percent(cameraFigures.flareLimit.value)}`
              : 'light added in the black',
            tone: flare?.verdict === 'added' ? 'caution' : 'ink',
          },
          {
            id: 'specks',
            value: `${view.specks.before ?? '–'} / ${view.specks.after ?? '–'}`,
            label: 'specks before / after on an even field',
            tone: (view.specks.after ?? 0) > (view.specks.before ?? 0) ? 'caution' : 'ink',
          },
          {
            id: 'seat',
            value: view.seat ? (view.seat.seated && view.seat.concentric ? 'sits' : 'does not sit') : '–',
            label: view.seat ? 'cover in its hole' : 'cover in its hole: not measured',
            tone: view.seat && !(view.seat.seated && view.seat.concentric) ? 'caution' : 'ink',
          },
        ]}
      />
      <Txt size="s" tone="ink2" className="my-2">
        {cannotSee}
      </Txt>
      {lenses.length > 1 ? <Choice label="Which" value={lens} options={lenses} onChange={setLens} /> : null}
      <Choice
        label="When"
        value={phase}
        options={[
          { id: 'before', name: 'Before, or without the cover' },
          { id: 'after', name: 'After, with it' },
        ]}
        onChange={setPhase}
      />
      <Message told={message ?? (problem ? refused(problem) : null)} />
      {view.problem ? (
        <Txt tone="caution" className="mb-2">
          {view.problem}
        </Txt>
      ) : null}
      <View className="gap-2 mb-2">
        <Button
          kind="small"
          label="Picture of the target"
          disabled={shots.share !== null}
          onPress={() => void takeTarget()}
        />
        <LongRunLine name="Looking for edges" share={shots.share} problem={null} onCancel={shots.cancel} />
        <Button
          kind="small"
          label="Picture of an even field"
          disabled={fields.share !== null}
          onPress={() => void takeField()}
        />
        <LongRunLine name="Looking for specks" share={fields.share} problem={null} onCancel={fields.cancel} />
      </View>
      {url ? (
        <View className="mb-2">
          <Txt size="s" tone="ink2" className="mb-1">
            Where the page finds no edge, tap one: the same ones, in the same order, before and after.
          </Txt>
          <Pressable role="button" aria-label="The picture: tap an edge" onPress={(e) => void tap(e)}>
            <Image
              source={{ uri: url }}
              style={{ width: '100%', aspectRatio: shape }}
              onLoad={(e) => setShape(shapeOf(e) ?? 4 / 3)}
              aria-label="the picture of the target"
            />
          </Pressable>
        </View>
      ) : null}
      {mine.map((s) => (
        <View key={s.id} className="flex-row justify-between items-center border-b border-rule">
          <Txt size="s" className="flex-1">
            {stamp(s.at)} {s.phase}: {s.edges.length} {s.edges.length === 1 ? 'edge' : 'edges'}, half contrast at{' '}
            {(s.edges.reduce((m, e) => m + e.mtf50, 0) / Math.max(1, s.edges.length)).toFixed(3)} cycles per pixel
          </Txt>
          <Button kind="small" label="Leave out" onPress={() => undo(s.id)} />
        </View>
      ))}
      <Disclosure title="Seating of the cover">
        <CoverSeat key={lens} job={job} lens={lens} seat={view.seat} />
      </Disclosure>
      <Why
        job={job}
        call="camera"
        inputs={{ shots: mine.length, lens }}
        computed={{ sharp, flare, specks: view.specks }}
        notes={[
          'Slanted edges after ISO 12233: the profile across an edge, four times finer than the pixels, its derivative and the contrast of that. The phone’s own sharpening is in both pictures, so only the ratio counts.',
          'Two pictures on each side give their own interval; from one each, the edges are compared in pairs and the usual difference of two pictures is added.',
          'Light in a black patch inside white (idea of ISO 9358), in linear light (IEC 61966-2-1).',
        ]}
        rows={[
          rowOf('No loss from', cameraFigures.okRatio, ''),
          rowOf('Clear loss below', cameraFigures.badRatio, ''),
          rowOf('Two pictures differ by', cameraFigures.uShot, ''),
          rowOf('Light that may be added', cameraFigures.flareLimit, ''),
          rowOf('White counts as clipped from', shotFigures.clipped, ''),
          rowOf('Speck: times the scatter', speckFigures.k, ''),
          rowOf('Speck: at least', speckFigures.least, ''),
          rowOf('Highest step of a cover', coverFigures.mostStepMm, 'mm'),
          rowOf('Least ring round a cover', coverFigures.leastRingMm, 'mm'),
        ]}
      />
    </JobPage>
  );
}
