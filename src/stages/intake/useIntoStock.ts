import { useState } from 'react';

import type { JobState } from '@/model/fold';
import { quantityOf, stockNow } from '@/model/stock';
import { newId } from '@/store/ids';
import { nowMs } from '@/store/clock';
import { saveSettings, useJobs, useSettings } from '@/store/shop';
import { countedFor, partArrived } from '@/work/stock/partFlow';

/** A delivery that came with the part of a job: how many, of which lot. Nothing where it was taken from the shelf. */
export function useIntoStock(job: JobState) {
  const settings = useSettings();
  const jobs = useJobs();
  const [part] = countedFor(settings, job);
  const stock = stockNow(settings, jobs);
  const order = part?.onOrder[0] ?? null;
  const have = part ? quantityOf(stock.parts.get(part.id) ?? []) : 0;
  // what was waited for came in a packet; what lies there was counted before
  const usual = order ? order.qty : have > 0 ? 0 : 1;
  const [said, setQty] = useState<number | null>(null);
  const [lot, setLot] = useState('');
  const [noRoom, setNoRoom] = useState(false);
  const qty = said ?? usual;
  const put = () => {
    if (!part || qty < 1) return;
    const change = partArrived(settings, stock, part, { qty, lot, orderId: order?.id ?? null }, { at: nowMs(), newId });
    void saveSettings({ ...settings, ...change }).catch(() => setNoRoom(true));
  };
  return { part: part ?? null, have, qty, setQty, lot, setLot, put, noRoom };
}
export type IntoStockState = ReturnType<typeof useIntoStock>;
