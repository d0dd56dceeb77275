import { View } from 'react-native';

import { noPress } from '@/core/bond/hold';
import { cureMarks, type CureKind, type CureMark } from '@/core/cure/laws';
import { benchReports } from '@/core/cure/policy';
import { cureMarkNames } from '@/work/cure/cureJob';
import { PlainPlan } from '@/bench-kit/PlainPlan';
import { Why } from '@/bench-kit/Why';
import { Button } from '@/ui/Button';
import { NoPressAreas } from '@/ui/plan/bondLayers';
import { Numbers } from '@/ui/plan/layers';
import { Txt } from '@/ui/Txt';
import { dayTime, percent, span } from '@/words/units';
import { cureNotes, cureRows } from './whyCure';
import type { PlanSize } from '@/bench-kit/StageShell';
import type { CureStageState } from './useCureStage';

const reportText = (kind: CureKind, m: CureMark): string => {
  const r = benchReports[kind][m];
  if (!r) return '–';
  const [a, b] = r.map((x) => span(x.value));
  return a === b ? a! : `${a} to ${b}`;
};

function MarkRow({ cells, head, bold }: { cells: string[]; head?: boolean; bold?: number }) {
  return (
    <View role="row" className="flex-row border-b border-rule py-1">
      {cells.map((c, i) => (
        <View key={i} role={head ? 'columnheader' : 'cell'} className={i ? 'flex-1 pr-1' : 'w-[92px] pr-1'}>
          <Txt size="s" num={i > 0 && !head} strong={i === bold} tone={head ? 'ink2' : 'ink'}>
            {c}
          </Txt>
        </View>
      ))}
    </View>
  );
}

/** Clips round the device. */
export function CurePicture({
  here: { job, way, places, path, start, off },
  size,
}: {
  here: CureStageState;
  size: PlanSize;
}) {
  return (
    <PlainPlan
      job={job}
      size={size}
      label={way.clips ? `${places.length} clips round ${job.device.name}` : `${way.name} on ${job.device.name}`}
      lines={[
        ...places.map((p, i) => `clip ${i + 1}: ${path.point(p.sMm).edge} edge${p.movedMm ? ', moved aside' : ''}`),
        ...noPress(job.device, job.face).map((p) => `not on ${p.name}`),
      ]}
    >
      <NoPressAreas shapes={noPress(job.device, job.face).map((p) => p.shape)} />
      <Numbers
        items={places.map((p, i) => ({
          at: path.point(p.sMm).at,
          text: String(i + 1),
          state: start === null || off ? ('todo' as const) : ('done' as const),
        }))}
      />
    </PlainPlan>
  );
}

/** Clamps on, off, or on its way. */
export function CureMain({ here: { main } }: { here: CureStageState }) {
  return (
    <Button
      kind="main"
      key={main.label}
      label={main.label}
      onPress={() => main.act?.()}
      disabled={main.act === undefined}
      {...(main.why ? { why: main.why } : {})}
    />
  );
}

/** What keeps a clock from being heard. */
export function CureNotes({ here: { full, alarm } }: { here: CureStageState }) {
  return (
    <>
      {full ? (
        <Txt size="s" tone="caution">
          The storage of this browser is full: it stands in the log of the job, not yet among what the shop has seen.
        </Txt>
      ) : null}
      {alarm.silent ? (
        <Txt size="s" tone="caution">
          This browser keeps silent until the screen is tapped.
        </Txt>
      ) : null}
    </>
  );
}

/** Did it hold when the clamps came off. */
export function DidItHold({ here: { off, cure, job, sayHeld } }: { here: CureStageState }) {
  return off && cure.kind !== 'tape' && !job.cureHeld ? (
    <View className="mt-2">
      <Txt strong>Did it hold when the clamps came off?</Txt>
      <Txt size="s" tone="ink2">
        Three that held teach this shop how long its own beads need.
      </Txt>
      <View className="flex-row gap-3 mt-1">
        <View className="flex-1">
          <Button kind="small" label="It held" onPress={() => sayHeld(true)} />
        </View>
        <View className="flex-1">
          <Button kind="small" label="It slipped" onPress={() => sayHeld(false)} />
        </View>
      </View>
    </View>
  ) : null;
}

/** Marks of the cure and when they are reached. */
export function CureMarks({ here: { start, short, now, cure, settings } }: { here: CureStageState }) {
  return (
    <>
      <View className="mt-2" role="table" aria-label="When">
        <MarkRow head cells={['mark', 'early', 'usually', 'latest', 'benches say']} />
        {cureMarks.map((m) => {
          const at = (s: number) => (start === null ? short(s) : dayTime(start + s * 1e3, now));
          const c = cure.clocks[m];
          return (
            <MarkRow
              key={m}
              cells={[cureMarkNames[m], at(c.low), at(c.mean), at(c.high), reportText(cure.kind, m)]}
              bold={cure.unlockS[m] === c.high ? 3 : 2}
            />
          );
        })}
      </View>
      <Txt size="s" tone="ink2" className="mt-1">
        Bold unlocks: {settings.cureBy === 'usual' ? 'the usual time' : 'the latest time'} for clamps, going on and
        hand-over (set in Shop); the latest for tests and the full bond.
      </Txt>
      {start !== null ? (
        <Txt size="s" className="mt-1">
          {cure.kind === 'tape'
            ? `${percent(cure.shareHigh)} of the final bond by now.`
            : `${percent(cure.shareLow)} to ${percent(cure.shareHigh)} ${cure.kind === 'solvent' ? 'of the solvent has left' : 'of the width has cured'} by now.`}
        </Txt>
      ) : null}
    </>
  );
}

/** Why so long. */
export function CureWhy({ here: { job, cure, way, ways, settings } }: { here: CureStageState }) {
  return (
    <Why
      job={job}
      call="cure"
      inputs={{ air: cure.steps[0], bondMm: cure.bondMm, kind: cure.kind }}
      computed={{ way: way.id, count: way.count, clocks: cure.clocks }}
      notes={cureNotes(cure, ways, settings)}
      rows={cureRows(cure)}
    />
  );
}
