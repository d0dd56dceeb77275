import { useState } from 'react';
import { View } from 'react-native';

import { cellName, matSvg } from '@/core/strip/tray';
import type { JobState } from '@/model/fold';
import { readScrewCsv, screwCsv } from '@/model/screwCsv';
import { JobPage } from '@/bench-kit/JobPage';
import { useSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { download, pickFile } from '@/ui/download';
import { Numbers } from '@/ui/plan/layers';
import { Txt } from '@/ui/Txt';
import { length } from '@/words/units';
import { StripPicture } from './StripPicture';
import { useStripPage } from './useStripPage';
import { specText } from './words';
import { t } from '@/words/strip';
import { told as inWords } from '@/words/told';

/** Where every screw lies: the tray mirrors the device. The mat prints at 1:1. */
export function TrayScreen({ job }: { job: JobState }) {
  const units = useSettings();
  const { now, log, work, backToStrip } = useStripPage(job);
  const [told, setTold] = useState<{ text: string; bad: boolean } | null>(null);
  const { tray, groups } = work;
  const read = async () => {
    const file = await pickFile('.csv,text/csv');
    if (!file) return;
    const answer = readScrewCsv(await file.text(), job.device);
    if ('problem' in answer) return setTold({ text: t('nothingWasChanged', { problem: answer.problem }), bad: true });
    const rows = answer.rows.filter((r) => r.state !== 'in');
    void log(
      rows.map((r) => ({
        type: 'screw' as const,
        hole: r.hole,
        to: r.state === 'missing' ? ('missing' as const) : ('out' as const),
        spec: { head: r.head, diaMm: r.dia_mm, lengthMm: r.length_mm },
        ...(r.cell ? { cell: r.cell } : {}),
      })),
    );
    setTold({ text: t('screwsRead', { count: rows.length }), bad: false });
  };
  return (
    <JobPage
      job={job}
      title={t('tray')}
      now={now}
      stage="strip"
      picture={(size) => (
        <StripPicture
          job={job}
          work={work}
          size={size}
          label={t('kindsOfScrewsByZone', { count: groups.length })}
          lines={groups.map(
            (g) => `${tray.cells.get(g.id)}: ${inWords(g.zone)}, ${g.holes.length} × ${specText(g.spec, units)}`,
          )}
          next={null}
          nextHole={null}
        >
          <Numbers
            items={groups.map((g) => ({ at: g.at, text: tray.cells.get(g.id) ?? '–', state: 'todo' as const }))}
          />
        </StripPicture>
      )}
      main={<Button kind="main" label={t('backToStrip')} onPress={backToStrip} />}
      side={
        <Button
          label={t('printMat')}
          onPress={() =>
            download(
              `mat-${job.label}.svg`,
              matSvg(job.device, groups, tray, `${job.label} ${job.device.name}`),
              'image/svg+xml',
            )
          }
        />
      }
    >
      <View className="mt-2">
        <Call
          sentence={t('screwsBoxes', {
            screws: t('screwsCounted', { count: job.device.screws.length }),
            boxes: t('boxesCounted', { count: groups.length }),
          })}
          reason={t('oneKindOfOneZoneIn', { totalMm: length(tray.totalMm / Math.max(1, groups.length), units, 0) })}
          tone="ink"
        />
        {told ? (
          <View role={told.bad ? 'alert' : 'status'} className="mt-2" testID="told">
            <Txt tone={told.bad ? 'caution' : 'ink'}>{told.text}</Txt>
          </View>
        ) : null}
        <View role="table" aria-label={t('tray')} className="mt-3">
          {Array.from({ length: tray.rows }, (_, r) => (
            <View role="row" key={r} className="flex-row">
              {Array.from({ length: tray.cols }, (_, c) => {
                const cell = cellName(r * tray.cols + c, tray.cols);
                const g = groups.find((x) => tray.cells.get(x.id) === cell);
                const inside = [...job.screwsOut.values()].filter(
                  (o) => o.cell === cell && !o.missing && !job.screwsIn.has(o.hole),
                ).length;
                return (
                  <View role="cell" key={cell} className="flex-1 min-h-[76px] border border-ink2 p-1">
                    <Txt strong num>
                      {cell}
                    </Txt>
                    {g ? (
                      <Txt size="s">
                        {inside
                          ? t('inIt', { zone: g.zone, n: g.holes.length, spec: specText(g.spec, units), inside })
                          : `${inWords(g.zone)}: ${g.holes.length} × ${specText(g.spec, units)}`}
                      </Txt>
                    ) : null}
                  </View>
                );
              })}
            </View>
          ))}
        </View>
        <View className="flex-row flex-wrap gap-2 mt-3">
          <Button
            kind="small"
            label={t('screwListAsCsv')}
            onPress={() => download(`screws-${job.label}.csv`, screwCsv(job, work.cellOf), 'text/csv')}
          />
          <Button kind="small" label={t('readAScrewList')} onPress={() => void read()} />
        </View>
        <Txt size="s" tone="ink2" className="mt-2">
          {t('printAt100TheBarOn')}
        </Txt>
      </View>
    </JobPage>
  );
}
