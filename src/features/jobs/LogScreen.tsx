import { Link, type Href } from 'expo-router';
import { useState } from 'react';
import { ScrollView, View } from 'react-native';

import type { JobEvent } from '@/model/event';
import { writeJobFile } from '@/model/files';
import { logOrder, type JobState } from '@/model/fold';
import { stageNames } from '@/model/stages';
import { useActions } from '@/stagekit/actions';
import { stageHref } from '@/stagekit/StageShell';
import { Entry } from '@/stagekit/Why';
import { Button } from '@/ui/Button';
import { download } from '@/ui/download';
import { Txt } from '@/ui/Txt';
import { stamp } from '@/ui/units';

/** One line for each event; what it is called at the bench. */
export function eventLine(e: JobEvent): string {
  switch (e.type) {
    case 'opened':
      return `job opened, ${e.device.name} (version ${e.device.version})`;
    case 'stage':
      return `${stageNames[e.stage]} ${e.to}`;
    case 'finding':
      return `found: ${{ chip: 'chips', crack: 'cracks', bent: 'bent frame', cellSwollen: 'swollen cell' }[e.kind]} ${e.answer}${e.edges?.length ? ` (${e.edges.join(', ')})` : ''}`;
    case 'charge':
      return `charge ${e.percent} %`;
    case 'route':
      return e.keepCover ? 'old cover to be saved' : 'new back glass';
    case 'promise':
      return e.promiseAt === null ? 'promise taken back' : `promised ${stamp(e.promiseAt)}`;
    case 'prep':
      return `${{ powerOff: 'power off', trayOut: 'card tray out', toolsReady: 'tools at hand', crumbsGone: 'no crumbs', lensesBlown: 'lenses blown off' }[e.item]}${e.done ? '' : ': no'}`;
    case 'function':
      return `${e.fn} ${e.phase}: ${e.result}`;
    case 'heatPlan':
      return `plan: plate ${e.setC} °C, pick ${e.pickMm} mm`;
    case 'heatOn':
      return `on the plate at ${e.setC} °C`;
    case 'heatOff':
      return `off the plate (${e.reason})`;
    case 'observed':
      return `${{ gaveWay: 'gave way', grips: 'it grips', calledAway: 'called away', broke: 'the cover broke' }[e.what]}${e.edge ? ` at the ${e.edge} edge` : ''}${e.modelC === undefined ? '' : `, model ${e.modelC} °C`}`;
    case 'edge':
      return `${e.edge} edge ${e.free ? 'free' : 'not free'}`;
    case 'cleaned':
      return `stretch ${e.index + 1} ${e.done ? 'clean' : 'not clean'}`;
    case 'reading':
      return `${e.quantity === 'gapMm' ? 'gap' : 'step'} ${e.point}: ${e.value.toFixed(3)} mm (u ${e.u})`;
    case 'bonded':
      return `bonded, ${e.adhesive === 'cutTape' ? `tape ${e.usedMm} mm` : 'pre-cut ring'}`;
    case 'clampOn':
      return `clamps on, ${e.count} × ${e.forceN} N`;
    case 'clampOff':
      return `clamps off${e.early ? ', early' : ''}`;
    case 'ambient':
      return `room ${e.tempC} °C`;
    case 'decision':
      return `${e.because ? 'override' : 'call'} ${e.call}: ${typeof e.chosen === 'string' ? e.chosen : JSON.stringify(e.chosen)}${e.because ? `, because ${e.because}` : ''}`;
    case 'note':
      return `note: ${e.text}`;
    case 'signed':
      return `signed by ${e.mark} (${e.role})`;
    case 'undo':
      return 'undone';
    case 'amend':
      return `instant corrected to ${stamp(e.at)}`;
    default:
      return 'an entry of a later version, kept as it is';
  }
}

export function LogScreen({ job }: { job: JobState }) {
  const { log, undo } = useActions(job);
  const [note, setNote] = useState('');
  const alive = new Set(job.effective.map((e) => e.id));
  const events = [...job.log].sort(logOrder).reverse();
  return (
    <ScrollView
      className="flex-1 bg-paper"
      contentContainerClassName="p-4 max-w-[720px] w-full self-center"
      role="main"
    >
      <Link href={stageHref(job.id, job.stage) as Href} className="font-body text-m text-ink underline py-2">
        Back to {stageNames[job.stage]}
      </Link>
      <Txt strong size="l" level={1}>
        {job.label}: log
      </Txt>
      <View className="mt-2">
        <Entry label="Note" value={note} onChange={setNote} multiline />
        <View className="flex-row gap-3">
          <View className="flex-1">
            <Button
              label="Add the note"
              disabled={!note.trim()}
              onPress={() => {
                void log([{ type: 'note', text: note.trim() }]);
                setNote('');
              }}
            />
          </View>
          <View className="flex-1">
            <Button
              label="Undo the last"
              disabled={!job.lastEventId}
              onPress={() => job.lastEventId && undo(job.lastEventId)}
            />
          </View>
        </View>
        <View className="mt-3">
          <Button
            label="Export the job"
            onPress={() => download(`${job.label.toLowerCase()}.northcove.json`, writeJobFile(job.log, Date.now()))}
          />
        </View>
      </View>
      <View role="list" aria-label="Log" className="mt-4">
        {events.map((e) => {
          const gone = e.type !== 'unknown' && !alive.has(e.id);
          const shifted =
            e.type !== 'undo' && e.type !== 'amend' ? job.effective.find((x) => x.id === e.id)?.at : undefined;
          return (
            <View role="listitem" key={e.id} className="border-b border-rule py-1">
              <Txt size="s" tone={gone ? 'ink2' : 'ink'} className={gone ? 'line-through' : ''}>
                {eventLine(e)}
              </Txt>
              <Txt size="s" num tone="ink2">
                {stamp(shifted ?? e.at)} · {e.by}
                {gone ? ' · undone' : ''}
                {Math.abs((shifted ?? e.at) - e.loggedAt) > 1500 ? ` · noted ${stamp(e.loggedAt)}` : ''}
              </Txt>
            </View>
          );
        })}
      </View>
    </ScrollView>
  );
}
