import { useState } from 'react';
import { useWindowDimensions, View } from 'react-native';

import type { EdgeId } from '@/core/device/types';
import { closingFigures } from '@/core/practice/closing/case';
import type { JobState } from '@/model/fold';
import type { PracticeRun } from '@/store/practice';
import { Button } from '@/ui/Button';
import { Txt } from '@/ui/Txt';
import { edgeName } from '@/words/placeNames';
import { t } from '@/words/practice';
import { digits, length } from '@/words/units';
import { closingText } from './closingText';
import { EdgeChoice } from './EdgeChoice';
import { HandChoice } from './HandChoice';
import { HandsPanel } from './HandsPanel';
import { HoldHands } from './HoldHands';
import type { ClosingLab } from './useClosingLab';
import { useStretches } from './useStretches';
import { WorkStrip, type StripCell } from './WorkStrip';

const tools = ['cloth', 'wet', 'lamp', 'tweezers'] as const;
type Tool = (typeof tools)[number];
const toolNames = { cloth: 'toolCloth', wet: 'toolWet', lamp: 'toolLamp', tweezers: 'toolTweezers' } as const;
const serious: ReadonlySet<string> = new Set(['haze', 'slipped']);

/** Hands on a joint that is closed: a cloth, a lamp, tweezers, a nozzle; clips and hours. */
export function ClosingHands({
  run,
  job,
  lab,
  stage,
}: {
  run: PracticeRun;
  job: JobState;
  lab: ClosingLab;
  stage: string;
}) {
  const { state, happened, refused, lab: on } = lab;
  if (!on || !state) return null;
  const { from } = on.bench;
  const over = from === 'closed' ? state.handedAtS !== null : state.closedAtS !== null;
  const last = refused ?? happened.at(-1) ?? null;
  const hint = { dirty: t('wipeHint'), bare: t('layHint'), closed: t('holdHint') }[from];
  const text = run.speed === 0 && !over ? t('timeStands') : last ? closingText(last) : hint;
  return (
    <HandsPanel
      stage={stage}
      open
      text={text}
      serious={last !== null && serious.has(last.what)}
      ended={over ? 'over' : null}
    >
      {over ? null : from === 'closed' ? (
        <HoldHands run={run} job={job} lab={lab} />
      ) : (
        <LedgeHands run={run} lab={lab} />
      )}
    </HandsPanel>
  );
}

/** What is in the hand goes along the ledge. */
function LedgeHands({ run, lab }: { run: PracticeRun; lab: ClosingLab }) {
  const { width } = useWindowDimensions();
  const [edge, setEdge] = useState<EdgeId>('bottom');
  const [tool, setTool] = useState<Tool>('cloth');
  const { bench } = lab.lab!;
  const state = lab.state!;
  const bead = bench.from === 'bare';
  const span = bench.about.path.edgeSpan(edge);
  const [at, setAt] = useState<number | null>(null);
  const dragged = useStretches(run.speed, (fromMm, toMm, _, dtS) =>
    lab.act(
      bead
        ? { kind: 'lay', fromMm, toMm }
        : tool === 'lamp'
          ? { kind: 'look', fromMm, toMm }
          : { kind: 'rub', fromMm, toMm, wet: tool === 'wet' },
      dtS,
    ),
  );
  const move: typeof dragged = (sMm, depthMm, phase) => {
    setAt(sMm);
    if (!bead && tool === 'tweezers') {
      if (phase === 'end') lab.act({ kind: 'pick', sMm: bench.about.path.wrap(sMm) }, closingFigures.pickS.value);
      return;
    }
    dragged(sMm, depthMm, phase);
  };
  const seenLeft = state.glue.filter((g) => g > closingFigures.visible.value).length / bench.n;
  return (
    <>
      <View className="flex-row flex-wrap gap-2 mt-2">
        {bead ? null : (
          <HandChoice
            label={t('tool')}
            value={tool}
            options={tools.map((id) => ({ id, name: t(toolNames[id]) }))}
            onChange={setTool}
          />
        )}
        <EdgeChoice
          shown={edge}
          onEdge={(e) => {
            setEdge(e);
            setAt(null);
          }}
        />
      </View>
      <WorkStrip
        key={edge}
        label={t('edgeStrip', { edge: edgeName(edge) })}
        width={Math.min(900, width - 32)}
        fromMm={span.fromMm}
        toMm={span.toMm}
        cells={cellsIn(lab, span)}
        crumbs={crumbsIn(lab, span)}
        meant={bead && run.way !== 'alone'}
        at={at ?? (span.fromMm + span.toMm) / 2}
        keyMm={bead ? 0.3 : 2}
        onMove={move}
      />
      <Txt size="s" tone="ink2">
        {bead
          ? t('beadLaid', {
              laid: digits(state.laidMm2.filter((v) => v > 0).length * bench.cellMm),
              length: length(bench.about.path.lengthMm, run.settings, 0),
            })
          : t('glueLeft', { left: Math.round(100 * seenLeft), count: state.gone.filter(Boolean).length })}
      </Txt>
      <View className="mt-2">
        <Button label={bead ? t('closeBead') : t('closeIt')} onPress={() => lab.act({ kind: 'close' }, 0)} />
      </View>
    </>
  );
}

/** Cells of the joint that lie on a stretch, as eye and lamp see them. */
function cellsIn(lab: ClosingLab, span: { fromMm: number; toMm: number }): StripCell[] {
  const { bench } = lab.lab!;
  const s = lab.state!;
  const [first, last] = [Math.floor(span.fromMm / bench.cellMm), Math.ceil(span.toMm / bench.cellMm)];
  return Array.from({ length: last - first }, (_, k) => {
    const fromMm = (first + k) * bench.cellMm;
    const i = (((first + k) % bench.n) + bench.n) % bench.n;
    const bead = bench.from === 'bare';
    return {
      fromMm: Math.max(span.fromMm, fromMm),
      toMm: Math.min(span.toMm, fromMm + bench.cellMm),
      share: bead
        ? s.laidMm2[i]! / bench.about.bead.sectionMm2
        : s.glue[i]! > closingFigures.visible.value
          ? s.glue[i]!
          : 0,
      film: !bead && s.lit[i] ? s.film[i]! : 0,
      dryOnly: !bead && bench.dryOnly((i + 0.5) * bench.cellMm),
    };
  });
}

/** Crumbs that were seen and are there still. */
function crumbsIn(lab: ClosingLab, span: { fromMm: number; toMm: number }): number[] {
  const { bench } = lab.lab!;
  const s = lab.state!;
  return bench.truth.crumbs.flatMap((c, i) => {
    if (s.gone[i] || s.looks[i]! < c.looks) return [];
    const on = span.fromMm + bench.about.path.wrap(c.sMm - span.fromMm);
    return on <= span.toMm ? [on] : [];
  });
}
