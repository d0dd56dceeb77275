import { Image, Pressable, View } from 'react-native';

import { cameraFigures } from '@/core/camera/compare';
import { shotFigures } from '@/core/camera/shot';
import { speckFigures } from '@/core/camera/specks';
import { coverFigures } from '@/core/fit/lensCover';
import { LongRunLine } from '@/bench-kit/LongRunLine';
import { rowOf, Why } from '@/bench-kit/Why';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { Readings } from '@/ui/Readings';
import { Txt } from '@/ui/Txt';
import { percent, stamp } from '@/words/units';
import type { CameraScreenState } from './useCameraScreen';

/** Width over height of a picture that was loaded, as this platform tells it. */
const shapeOf = (e: unknown): number | null => {
  const img = (e as { nativeEvent?: { target?: { naturalWidth?: number; naturalHeight?: number } } }).nativeEvent
    ?.target;
  return img?.naturalWidth && img.naturalHeight ? img.naturalWidth / img.naturalHeight : null;
};

/** Sharpness, flare and specks. */
export function CameraReadings({ here: { sharp, flare, view } }: { here: CameraScreenState }) {
  return (
    <Readings
      items={[
        {
          id: 'sharp',
          value: sharp ? `${sharp.ratio.toFixed(2)} ×` : '–',
          label: sharp
            ? `sharpness, ${sharp.low.toFixed(2)} to ${sharp.high.toFixed(2)}`
            : 'sharpness after over before',
          tone: sharp ? (sharp.verdict === 'noLoss' ? 'go' : sharp.verdict === 'undecided' ? 'ink' : 'caution') : 'ink',
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
  );
}

/** Which camera, before or after. */
export function WhichShot({ here: { lenses, lens, setLens, phase, setPhase } }: { here: CameraScreenState }) {
  return (
    <>
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
    </>
  );
}

/** A picture of the target, or of a flat field. */
export function ShotSource({
  here: { shots, takeTarget, fields, takeField, url, tap, shape, setShape },
}: {
  here: CameraScreenState;
}) {
  return (
    <>
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
    </>
  );
}

/** The pictures so far. */
export function ShotList({ here: { mine, undo } }: { here: CameraScreenState }) {
  return mine.map((s) => (
    <View key={s.id} className="flex-row justify-between items-center border-b border-rule">
      <Txt size="s" className="flex-1">
        {stamp(s.at)} {s.phase}: {s.edges.length} {s.edges.length === 1 ? 'edge' : 'edges'}, half contrast at{' '}
        {(s.edges.reduce((m, e) => m + e.mtf50, 0) / Math.max(1, s.edges.length)).toFixed(3)} cycles per pixel
      </Txt>
      <Button kind="small" label="Leave out" onPress={() => undo(s.id)} />
    </View>
  ));
}

/** Why this is told of it. */
export function CameraWhy({ here: { job, mine, lens, sharp, flare, view } }: { here: CameraScreenState }) {
  return (
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
  );
}
