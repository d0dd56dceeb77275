import './ownFigures';

import { expose } from 'comlink';

import {
  promiseWork,
  rescueWork,
  wishCost,
  type PlanPart,
  type PromiseQuestion,
  type RescueQuestion,
} from '@/core/schedule/planWork';
import { PlanSession, type SessionQuestion } from '@/core/schedule/planSession';
import type { ShopPlan } from '@/core/schedule/shopPlan';
import type { Bench } from '@/core/schedule/types';
import { paced } from './paced';

const channel = new MessageChannel();
/** Who waits for the next turn of the messages. */
const turns: (() => void)[] = [];
channel.port1.onmessage = () => turns.shift()?.();

const session = new PlanSession({
  nowMs: () => performance.now(),
  // a timer of nothing waits 4 ms after a few in a row; a message of one's own comes after those that are there
  pause: (ms) =>
    new Promise<void>((go) => {
      if (ms > 0) return void setTimeout(go, ms);
      turns.push(go);
      channel.port2.postMessage(null);
    }),
});

const api = {
  /**
   * A first plan at once, where there was none; the search for a better one after a rest: who is at work on the screen notes the
   * next thing or turns the page before. What is noted while it is searched is asked here again, and the search goes on with it.
   */
  plan: (q: SessionQuestion, tell: (share: number) => void, part: (p: PlanPart) => void) =>
    session.ask(q, paced(tell), part),
  hold: () => session.hold(),
  promises: (list: PromiseQuestion[]) => list.map(promiseWork),
  rescues: (q: RescueQuestion) => rescueWork(q),
  wishes: (withWishes: ShopPlan, bench: Bench) => wishCost(withWishes, bench),
};

export type ScheduleApi = typeof api;

expose(api);
