import type { WayResult } from '@/core/heat/ways';
import type { Watched } from '@/core/heat/member';
import { watchMarks } from '@/work/heat/watchMarks';
import { Table } from '@/ui/Table';
import { clock, dial, tempNumber } from '@/words/units';
import { told } from '@/words/told';
import { t } from '@/words/heat';
import { watched } from './WayCards';
import type { WaysReadyState } from './useWaysReady';

/** The same as a table, for who would rather read, and for a screen reader. */
export default function WaysTable({ here: { order, listed, job, units } }: { here: WaysReadyState }) {
  const marks = watchMarks(job);
  const peak = (r: WayResult, id: Watched) =>
    r[id]
      ? `${tempNumber(r[id].peakC.high, units)}°${marks[id] && r[id].peakC.high >= marks[id].stopC ? ' !' : ''}`
      : '–';
  return (
    <Table
      label={t('waysOfHeating')}
      columns={[
        t('wayWord'),
        t('tryFromShort'),
        t('easyByShort'),
        t('atTheLatestShort'),
        ...watched.map((w) => told(w.name)),
      ]}
      rows={order.map((r) => [
        `${told(listed.find((l) => l.way.id === r.id)!.name)}, ${dial(r.setC)}`,
        r.tryFromS ? clock(r.tryFromS.mean) : '–',
        r.readyS ? clock(r.readyS.mean) : t('never'),
        r.readyS ? clock(r.readyS.high) : '–',
        ...watched.map((w) => peak(r, w.id)),
      ])}
    />
  );
}
