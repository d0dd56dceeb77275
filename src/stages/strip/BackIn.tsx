import { useState, type ReactNode } from 'react';
import { View } from 'react-native';

import { zoneId } from '@/core/strip/graph';
import { engageRule, sortHeap, tightMm, underHole, type ScrewFinding, type ScrewSpec } from '@/core/strip/screws';
import { functionTests } from '@/core/functions/tables';
import { commonPractice } from '@/core/source';
import type { JobState } from '@/model/fold';
import { useActions } from '@/bench-kit/actions';
import { FunctionList } from '@/bench-kit/FunctionList';
import { StageShell } from '@/bench-kit/StageShell';
import { openScrews, stopsClosing, transferred, type StripWork } from '@/work/strip/stripJob';
import { useGoOn } from '@/bench-kit/useGoOn';
import { rowOf, Why } from '@/bench-kit/Why';
import { useSettings } from '@/store/shop';
import { capital } from '@/words/capital';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Choice, Tick } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { Readings } from '@/ui/Readings';
import { Txt } from '@/ui/Txt';
import { useNow } from '@/bench-kit/useNow';
import { speak } from '@/bench-kit/speak';
import { nearestHole, StripPicture } from './StripPicture';
import { StripLinks } from './StripLinks';
import { stripCaution } from './TakeOut';
import { findingText, specText } from './words';

export const oneTurn = commonPractice(
  1,
  'start every screw one turn before any is tightened, so that the bracket sits square',
);

/** Functions that tell, with the least connected, whether it may be closed. */
export const openTests = (job: Pick<JobState, 'device'>): string[] =>
  functionTests.filter((t) => t.stage === 'open' && job.device.functions.includes(t.id)).map((t) => t.id);

/** Back in, the reverse: battery last, every screw started before any is tight, tested before it is closed. */
export function BackIn({ job, work, tabs }: { job: JobState; work: StripWork; tabs: ReactNode }) {
  const settings = useSettings();
  const units = settings;
  const now = useNow(10_000);
  const { log } = useActions(job);
  const goOn = useGoOn(job, 'strip');
  const [other, setOther] = useState<string | null>(null);
  const next = work.back.find((id) => !work.isBack(id)) ?? null;
  const item = next ? work.items.get(next)! : null;
  const zone = item?.kind === 'screws' ? (job.device.screws.find((s) => zoneId(s.zone) === next)?.zone ?? null) : null;
  // as they came out, the last one first
  const holes = zone ? work.check.refitOrder.filter((h) => job.screwsOut.get(h)!.zone === zone) : [];
  const hole = holes.find((h) => !job.screwsIn.has(h)) ?? null;
  const kinds = sortHeap([...job.screwsOut.values()]);
  const key = (s: ScrewSpec) => `${s.head}|${s.diaMm}|${s.lengthMm}|${s.colour ?? ''}`;
  const own = hole ? job.screwsOut.get(hole)! : null;
  const given = kinds.find((k) => key(k) === other) ?? own;
  const stops = work.check.findings.filter(stopsClosing);
  const serious = work.check.findings.filter((f) => f.type !== 'missing' || openScrews(job).length === 0);
  const missingPieces = work.transfer.filter((t) => t.kind !== 'part' && !transferred(job, t));
  const tested = job.prep.has('closedTest') && job.prep.has('batteryOffAgain');
  const battery = job.device.connectors.find((c) => c.battery);

  const put = (id: string, spec: ScrewSpec) =>
    ({
      type: 'screw',
      hole: id,
      to: 'in',
      spec: {
        head: spec.head,
        diaMm: spec.diaMm,
        lengthMm: spec.lengthMm,
        ...(spec.colour ? { colour: spec.colour } : {}),
      },
    }) as const;
  const say = (f: ScrewFinding) => {
    const h = 'hole' in f ? job.device.screws.find((x) => x.id === f.hole) : undefined;
    return findingText(f, units, h ? underHole(job.device, h) : null);
  };
  const act = () => {
    if (!item) return goOn();
    if (hole && given) {
      void log([put(hole, given)]);
      speak(`${holes.filter((h) => job.screwsIn.has(h)).length + 1} of ${holes.length}`, settings.spoken);
      setOther(null);
    } else if (zone) void log([{ type: 'tightened', zone, done: true }]);
    else if (item.kind === 'part') void log([{ type: 'partState', partId: item.id, to: 'moved' }]);
    else void log([{ type: 'stripped', itemId: item.id, to: 'in' }]);
  };
  const text = ((): { sentence: string; reason: string; tone: 'ink' | 'caution' } => {
    const bad = serious.find((f) => ['pierce', 'swapped', 'wrongSpec'].includes(f.type));
    if (bad) return { sentence: say(bad), reason: 'Tap the hole to take it out again.', tone: 'caution' };
    if (!item)
      return stops.length
        ? {
            sentence: say(stops[0]!),
            reason: 'The cover cannot be called ready like this.',
            tone: 'caution',
          }
        : missingPieces.length
          ? {
              sentence: `${missingPieces.length} small pieces are not over yet.`,
              reason: missingPieces.map((t) => t.name).join(', ') + '.',
              tone: 'caution',
            }
          : !tested
            ? {
                sentence: 'Test before closing.',
                reason: 'The least connected, every function that can be tried open; then the battery off again.',
                tone: 'ink',
              }
            : {
                sentence: 'All back in, tested, battery off.',
                reason: 'Clean and close; the battery goes on last.',
                tone: 'ink',
              };
    if (hole && own)
      return {
        sentence: `From ${work.cellOf(hole)} into ${hole}: one turn.`,
        reason: `${specText(own, units)}. ${holes.filter((h) => job.screwsIn.has(h)).length} of ${holes.length} started; none tight before all are.`,
        tone: 'ink',
      };
    if (zone)
      return {
        sentence: `All ${holes.length} started: tighten them crosswise.`,
        reason: 'Straight, hard on the driver, not hard on the thread.',
        tone: 'ink',
      };
    if (item.kind === 'connector')
      return {
        sentence: `${capital(item.name)} on, until it clicks.`,
        reason: item.battery
          ? 'Last of all; nothing lies on the board.'
          : `${job.layNotes.has(item.id) ? `As it lay: ${job.layNotes.get(item.id)}. ` : ''}Lined up first, then pressed flat; no cable trapped under it.`,
        tone: 'ink',
      };
    const part = job.device.parts.find((p) => p.id === next);
    if (part?.kind === 'board')
      return {
        sentence: 'Main board in: far end first.',
        reason: 'Nothing trapped under it; plugs out of the way, films peeled.',
        tone: 'ink',
      };
    if (part?.kind === 'battery' && job.cellChoice?.fit === 'new')
      return {
        sentence: 'A new cell in.',
        reason: 'The old one to the collection for waste cells, contacts taped.',
        tone: 'ink',
      };
    return { sentence: `${capital(item.name)} in.`, reason: 'Cables over it, not under it.', tone: 'ink' };
  })();
  const label = !item
    ? 'Go to clean'
    : hole
      ? `${hole} is started`
      : zone
        ? `${capital(zone)} screws are tight`
        : item.kind === 'connector'
          ? 'It clicked'
          : `${capital(item.name)} is in`;
  const shut =
    item !== null
      ? null
      : stops.length
        ? say(stops[0]!)
        : missingPieces.length
          ? `${missingPieces.length} small pieces to go`
          : !tested
            ? 'test before closing'
            : null;
  const wrong = new Set(work.check.findings.flatMap(wrongOf));
  const zones = [...work.check.zones];
  return (
    <StageShell
      job={job}
      stage="strip"
      now={now}
      caution={stripCaution}
      onMain={shut ? undefined : act}
      picture={(size) => (
        <StripPicture
          job={job}
          work={work}
          size={size}
          label={`${work.back.filter(work.isBack).length} of ${work.back.length} steps back in`}
          lines={[
            ...work.back.map((id, i) => `${i + 1}. ${work.items.get(id)!.name}: ${work.isBack(id) ? 'in' : 'to go'}`),
            ...work.check.findings.map((f) => say(f)),
          ]}
          next={next}
          nextHole={hole}
          wrongHoles={wrong}
          backIn
          onTap={(p) => {
            const h = nearestHole(job, p);
            if (!h || job.screwsOut.get(h)?.missing) return;
            const out = job.screwsOut.get(h);
            void log([
              job.screwsIn.has(h)
                ? { type: 'screw', hole: h, to: 'open' }
                : put(h, (h === hole && given) || out || job.device.screws.find((s) => s.id === h)!),
            ]);
          }}
        />
      )}
      call={<Call {...text} />}
      readings={
        <Readings
          items={[
            {
              id: 'steps',
              value: `${work.back.filter(work.isBack).length} / ${work.back.length}`,
              label: 'steps back in',
            },
            {
              id: 'screws',
              value: `${job.screwsIn.size} / ${[...job.screwsOut.values()].filter((r) => !r.missing).length}`,
              label: `screws in${zones.length ? `. ${zones.map(([z, n]) => `${z} ${n.refit}/${n.expected}`).join(', ')}` : ''}`,
              tone: stops.length && !item ? 'caution' : 'ink',
            },
          ]}
        />
      }
      main={
        <Button kind="main" label={label} onPress={act} disabled={shut !== null} {...(shut ? { why: shut } : {})} />
      }
    >
      {tabs}
      {hole && kinds.length > 1 ? (
        <Choice
          label={`Screw that goes into ${hole}`}
          value={given ? key(given) : null}
          options={kinds.map((k) => ({ id: key(k), name: specText(k, units) }))}
          onChange={setOther}
        />
      ) : null}
      {work.check.findings.filter((f) => f.type !== 'missing').length ? (
        <View role="list" aria-label="Findings" className="mt-2">
          {work.check.findings
            .filter((f) => f.type !== 'missing')
            .map((f) => (
              <View key={say(f)} role="listitem" className="py-1 border-b border-rule">
                <Txt size="s" tone={stopsClosing(f) ? 'caution' : 'ink'}>
                  {say(f)}
                </Txt>
                {wrongOf(f).map((h) => (
                  <Button
                    key={h}
                    kind="small"
                    label={`${h}: take it out again`}
                    onPress={() => void log([{ type: 'screw', hole: h, to: 'open' }])}
                  />
                ))}
              </View>
            ))}
        </View>
      ) : null}
      {item === null ? (
        <Disclosure title="Test before closing" open={!tested}>
          <Txt size="s" className="mb-2">
            Connect the least: {battery?.name ?? 'battery'}, display, what is to be tested. {openTests(job).length}{' '}
            functions.
          </Txt>
          <FunctionList job={job} phase="open" short={false} only={openTests(job)} />
          <Tick
            label="Tested, all that should work works"
            on={job.prep.has('closedTest')}
            onChange={(v) => void log([{ type: 'prep', item: 'closedTest', done: v }])}
          />
          <Tick
            label="Battery plug off again"
            on={job.prep.has('batteryOffAgain')}
            onChange={(v) => void log([{ type: 'prep', item: 'batteryOffAgain', done: v }])}
          />
        </Disclosure>
      ) : null}
      <StripLinks job={job} />
      <Why
        job={job}
        call="refit"
        inputs={{ in: [...job.screwsIn.keys()] }}
        computed={{ order: work.back, findings: work.check.findings }}
        notes={[
          'The reverse of the way out, with the battery’s plug as late as what lies over it allows; board far end first, every screw one turn before any is tight.',
          'A screw holds by its length less what it passes before the boss; what is left of the boss is the room under it.',
        ]}
        rows={[
          rowOf('One turn first', oneTurn, 'turn'),
          rowOf('Tight', tightMm, 'mm'),
          rowOf('Thread that holds', engageRule, '× diameter'),
        ]}
      />
    </StageShell>
  );
}

/** Holes whose screw has to come out again. */
const wrongOf = (f: ScrewFinding): string[] =>
  f.type === 'swapped' ? [f.hole, f.with] : f.type === 'pierce' || f.type === 'wrongSpec' ? [f.hole] : [];
