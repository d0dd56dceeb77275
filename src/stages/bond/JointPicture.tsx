import type { JobState } from '@/model/fold';
import type { Settings } from '@/model/settings';
import { badStretches } from '@/work/bond/frameOf';
import { PlainPlan } from '@/bench-kit/PlainPlan';
import { BeadStrokes, PaceMark } from '@/ui/plan/bondLayers';
import { Numbers, RingArcs, Soundings, TapeBars } from '@/ui/plan/layers';
import { digits, length, lengthNumber } from '@/words/units';
import { groupPieces } from './TapeDetails';
import type { Joint } from './useJoint';
import { t } from '@/words/bond';

interface JointPictureProps {
  job: JobState;
  settings: Settings;
  size: Parameters<typeof PlainPlan>[0]['size'];
  joint: Joint;
}

/** Where tape or bead lies, where the hand is, in which order it is pressed. */
export function JointPicture({ job, settings, size, joint }: JointPictureProps) {
  const { work, school, strips, bead, closing, phase, at } = joint;
  const points = closing.press.map((s, i) => ({
    at: work.path.point(s).at,
    text: String(i + 1),
    state: i === 0 ? ('next' as const) : ('todo' as const),
  }));
  const label = {
    cutTape: t('piecesOfTapeOn', { count: strips?.plan.pieces.length ?? 0, name: job.device.name }),
    precutRing: t('ringOn', { name: job.device.name }),
    liquidBead: t('beadInStrokesOn', { count: bead?.strokes.length ?? 0, name: job.device.name }),
    reuseTopup: t('topUpOfTheOldRing', { name: job.device.name }),
    fullFill: t('ringAndLinesInStrokesOn', { count: bead?.strokes.length ?? 0, name: job.device.name }),
    preGlued: t('ringOn', { name: job.device.name }),
    reuseRing: t('oldRingOn', { name: job.device.name }),
    tapeAndBead: t('tapeAndBeadOn', { count: bead?.strokes.length ?? 0, name: job.device.name }),
  }[school];
  const lines = [
    ...(strips
      ? groupPieces(strips.plan.pieces).map((g) => `${g.count} × ${length(g.lengthMm, settings)}: ${g.where}`)
      : []),
    ...(bead
      ? bead.strokes.map((s, i) =>
          t('strokeStartsAtMm', { i: i + 1, figure: digits(s[0]![0]), figure2: digits(s[0]![1]) }),
        )
      : []),
  ];
  return (
    <PlainPlan job={job} size={size} label={label} lines={lines.length ? lines : [t('ringInOnePieceLaidFrom')]}>
      {strips ? (
        <>
          <TapeBars pieces={strips.plan.pieces} widthMm={strips.widthMm} />
          <Soundings
            items={strips.plan.pieces
              .filter((p) => p.lengthMm > 12)
              .map((p) => {
                const mid = [(p.from[0] + p.to[0]) / 2, (p.from[1] + p.to[1]) / 2] as const;
                const n = work.path.point(work.path.locate(mid)).normal;
                return {
                  at: [mid[0] - n[0] * 9, mid[1] - n[1] * 6] as const,
                  text: lengthNumber(p.lengthMm, settings, 0),
                  bold: true,
                };
              })}
          />
        </>
      ) : null}
      {bead ? (
        <BeadStrokes
          strokes={bead.strokes}
          laidMm={phase === 'plan' ? 0 : (at?.laidMm ?? Infinity)}
          widthMm={bead.bead.layWidthMm}
        />
      ) : strips ? null : (
        <RingArcs arcs={[{ fromMm: 0, toMm: work.path.lengthMm, state: 'plain' }]} />
      )}
      {work.frame?.badArcs.length && !job.bonded ? (
        <RingArcs arcs={badStretches(job, work.frame, work.path).map((a) => ({ ...a, state: 'dry' as const }))} />
      ) : null}
      {at ? <PaceMark at={at.at} laying={at.laying} /> : null}
      {phase === 'open' ? <Numbers items={points} /> : null}
    </PlainPlan>
  );
}
