import { listed } from '@/words/units';
import { View } from 'react-native';

import { engageRule, tightMm } from '@/core/strip/screws';
import { FunctionList } from '@/bench-kit/FunctionList';
import { stopsClosing } from '@/work/strip/stripJob';
import { rowOf, Why } from '@/bench-kit/Why';
import { Button } from '@/ui/Button';
import { Choice, Tick } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { Readings } from '@/ui/Readings';
import { Txt } from '@/ui/Txt';
import { nearestHole, StripPicture } from './StripPicture';
import { specText } from './words';

import { wrongOf } from './useBackIn';
import type { PlanSize } from '@/bench-kit/StageShell';
import type { BackInState } from './useBackIn';
import { commonPractice } from '@/core/source';
import { openTests } from '@/work/check/beforeClosing';
import { t as tr } from '@/words/strip';

export const oneTurn = commonPractice(
  1,
  'start every screw one turn before any is tightened, so that the bracket sits square',
);

/** What goes in next. */
export function BackInPicture({
  here: { job, work, say, next, hole, wrong, log, put, given },
  size,
}: {
  here: BackInState;
  size: PlanSize;
}) {
  return (
    <StripPicture
      job={job}
      work={work}
      size={size}
      label={tr('ofStepsBackIn', { n: work.back.filter(work.isBack).length, of: work.back.length })}
      lines={[
        ...work.back.map((id, i) =>
          work.isBack(id)
            ? tr('in', { i: i + 1, name: work.items.get(id)!.name })
            : tr('toGo', { i: i + 1, name: work.items.get(id)!.name }),
        ),
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
  );
}

/** Steps and screws. */
export function BackInReadings({ here: { work, job, zones, stops, item } }: { here: BackInState }) {
  return (
    <Readings
      items={[
        {
          id: 'steps',
          value: `${work.back.filter(work.isBack).length} / ${work.back.length}`,
          label: tr('stepsBackIn'),
        },
        {
          id: 'screws',
          value: `${job.screwsIn.size} / ${[...job.screwsOut.values()].filter((r) => !r.missing).length}`,
          label: zones.length
            ? tr('screwsIn', { list: listed(zones.map(([z, n]) => `${z} ${n.refit}/${n.expected}`)) })
            : tr('screwsIn2'),
          tone: stops.length && !item ? 'caution' : 'ink',
        },
      ]}
    />
  );
}

/** Which screw, and what does not add up. */
export function ScrewFindings({
  here: { hole, kinds, given, key, units, setOther, work, say, log },
}: {
  here: BackInState;
}) {
  return (
    <>
      {hole && kinds.length > 1 ? (
        <Choice
          label={tr('screwThatGoesInto', { hole })}
          value={given ? key(given) : null}
          options={kinds.map((k) => ({ id: key(k), name: specText(k, units) }))}
          onChange={setOther}
        />
      ) : null}
      {work.check.findings.filter((f) => f.type !== 'missing').length ? (
        <View role="list" aria-label={tr('findings')} className="mt-2">
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
                    label={tr('takeItOutAgain', { h })}
                    onPress={() => void log([{ type: 'screw', hole: h, to: 'open' }])}
                  />
                ))}
              </View>
            ))}
        </View>
      ) : null}
    </>
  );
}

/** Connected and tested before it is shut. */
export function TestBeforeClosing({ here: { item, tested, battery, job, log } }: { here: BackInState }) {
  return item === null ? (
    <Disclosure title={tr('testBeforeClosing')} open={!tested}>
      <Txt size="s" className="mb-2">
        {tr('connectOnlyScreenAndWhatYou', { name: battery?.name ?? 'battery', n: openTests(job).length })}
      </Txt>
      <FunctionList job={job} phase="open" short={false} only={openTests(job)} />
      <Tick
        asked
        label={tr('testedAllThatShouldWorkWorks')}
        on={job.prep.has('closedTest')}
        onChange={(v) => void log([{ type: 'prep', item: 'closedTest', done: v }])}
      />
      <Tick
        asked
        label={tr('batteryUnpluggedAgain')}
        on={job.prep.has('batteryOffAgain')}
        onChange={(v) => void log([{ type: 'prep', item: 'batteryOffAgain', done: v }])}
      />
    </Disclosure>
  ) : null;
}

/** Why in this order. */
export function BackInWhy({ here: { job, work } }: { here: BackInState }) {
  return (
    <Why
      job={job}
      call="refit"
      inputs={{ in: [...job.screwsIn.keys()] }}
      computed={{ order: work.back, findings: work.check.findings }}
      notes={[tr('theReverseOfTheWayOut'), tr('aScrewHoldsByItsLength')]}
      rows={[
        rowOf(tr('oneTurnFirst'), oneTurn, 'turn'),
        rowOf(tr('tight'), tightMm, 'mm'),
        rowOf(tr('threadThatHolds'), engageRule, tr('diameter')),
      ]}
    />
  );
}
