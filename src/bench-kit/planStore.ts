import type { PlanAnswer, PlanPart } from '@/core/schedule/planWork';
import type { ShopPlan } from '@/core/schedule/shopPlan';
import type { JobState } from '@/model/fold';
import type { Settings } from '@/model/settings';
import { CancelledError, type LongRun } from '@/workers/longRun';
import { betterPlan } from '@/workers/scheduleClient';
import {
  changeOf,
  judged,
  planProblem,
  slipped,
  type PlanChange,
  type Planned,
  type PlanNow,
  type PlanProblem,
} from '@/work/bench/planNow';
import { shopBench, type BenchInput, type ShopBench } from '@/work/bench/shopBench';

export interface Snapshot {
  now: PlanNow | null;
  problem: PlanProblem | null;
  answer: PlanAnswer | null;
  /** the jobs as they were when the answer was asked for */
  answeredFor: readonly JobState[];
  change: PlanChange | null;
}
const nothing: Snapshot = { now: null, problem: null, answer: null, answeredFor: [], change: null };

/** Jobs up to which what is noted is planned at once, on the screen's own thread. */
const quickJobs = 25;
const iterations = 900;
const seedsPerRound = 3;
const searchMs = 3000;
const settleMs = 60;
/** A better plan than the one on the screen is looked for once nothing was noted for so long: the search takes a second of a core. */
const restMs = 800;
export const promiseRuns = 2000;
/** the same without a worker, so that the screen does not stand still */
const runsAlone = 200;

/** What makes a plan on the screen's own thread: fetched once the first plan is there, which the worker made. */
let quick: typeof import('@/work/bench/planAlone') | null = null;
const fetchQuick = async () => (quick ??= await import('@/work/bench/planAlone'));

/**
 * The plan in force, for every page of this tab. It changes when something was noted, when something planned did not
 * begin, or when a better one was found that is worth it; what changed is told. Nothing is written while rendering.
 */
class PlanStore {
  snapshot: Snapshot = nothing;
  /** inputs that the answer of the worker belongs to */
  private answered: BenchInput | null = null;
  /** what was given last */
  private offered: BenchInput | null = null;
  private readonly listeners = new Set<() => void>();
  /** how far the search for a better one is; apart from the plan, so that a page that shows the plan is not drawn for it */
  private share: number | null = null;
  private readonly sharers = new Set<() => void>();
  private wait: ReturnType<typeof setTimeout> | null = null;
  private run: LongRun<PlanAnswer> | null = null;
  private round = 0;

  subscribe = (on: () => void): (() => void) => {
    this.listeners.add(on);
    return () => this.listeners.delete(on);
  };
  get = (): Snapshot => this.snapshot;
  subscribeShare = (on: () => void): (() => void) => {
    this.sharers.add(on);
    return () => this.sharers.delete(on);
  };
  getShare = (): number | null => this.share;
  private setShare(share: number | null): void {
    if (share === this.share) return;
    this.share = share;
    for (const on of this.sharers) on();
  }

  private set(change: Partial<Snapshot>): void {
    this.snapshot = { ...this.snapshot, ...change };
    for (const on of this.listeners) on();
  }

  forget(): void {
    this.cancel();
    if (this.wait) clearTimeout(this.wait);
    this.wait = null;
    this.answered = null;
    this.offered = null;
    this.round = 0;
    this.snapshot = nothing;
  }

  cancel = (): void => {
    this.run?.cancel();
    this.run = null;
    this.setShare(null);
  };

  /** What is so now; a page gives it, and the same again changes nothing. */
  offer(input: BenchInput): void {
    const last = this.offered;
    const same =
      last &&
      sameJobs(last.jobs, input.jobs) &&
      sameSettings(last.settings, input.settings) &&
      last.heats === input.heats;
    // a plan that stays behind is looked at once per instant, or a problem would ask for itself for ever
    if (same && (!this.snapshot.now || last.now === input.now || !slipped(this.snapshot.now, input.now))) return;
    this.offered = input;
    const standing = this.snapshot.now;
    let shop: ShopBench;
    try {
      shop = shopBench(input);
    } catch (e) {
      return this.set({ problem: planProblem(e, standing) });
    }
    const asked: Asked = { input, shop, standing, why: same ? 'late' : 'noted' };
    if (!shop.bench.jobs.length) {
      this.cancel();
      return this.set(nothing);
    }
    // the first plan is made beside the screen, and every one of a large shop: what stands is shown meanwhile. What is noted in a
    // small one is planned at once, so that nobody is told to do what was just done
    if (!standing || !quick || shop.bench.jobs.length > quickJobs) return this.search(asked, null);
    const from = this.found(asked, quick.planNow(shop, input, standing, this.answered !== null));
    if (from) this.search(asked, from);
  }

  private found(asked: Asked, r: Planned): PlanNow | null {
    const { standing, why } = asked;
    this.set({
      now: r.now,
      problem: r.problem,
      ...(standing && r.now && r.now !== standing ? { change: changeOf(standing, r.now, why) } : {}),
    });
    if (!quick) void fetchQuick().catch(() => undefined);
    return r.problem ? null : r.now;
  }

  /** Asks the worker for a plan, shown as soon as it is there, and for a better one, with seeds of its own each time. */
  private search(asked: Asked, from: PlanNow | null): void {
    this.cancel();
    if (this.wait) clearTimeout(this.wait);
    const { shop, input } = asked;
    this.wait = setTimeout(
      () => {
        this.wait = null;
        let now = from;
        const seed = seedsPerRound * this.round++;
        let over = false;
        const take = (part: PlanPart) => {
          if (over || this.run !== run) return;
          now ??= this.found(asked, judged(shop, part.plan, input, asked.standing));
          if (now && part.promises) now = this.take(input, now, { ...part, promises: part.promises });
        };
        let run: LongRun<PlanAnswer> | null = null;
        try {
          run = betterPlan(
            {
              bench: shop.bench,
              previous: (from ?? asked.standing)?.plan.plan ?? [],
              iterations,
              seeds: Array.from({ length: seedsPerRound }, (_, k) => seed + k + 1),
              scatters: shop.scatters,
              runs: promiseRuns,
              inForce: this.answered !== null,
              first: from === null,
              budget: { ms: searchMs },
              restMs,
            },
            (share) => {
              if (!over && this.run === run) this.setShare(share);
            },
            take,
          );
        } catch {
          this.setShare(null);
          return void this.alone(asked, now);
        }
        this.run = run;
        run.result
          .then(take)
          .catch((e: unknown) => {
            if (!(e instanceof CancelledError) && this.run === run) void this.alone(asked, now);
          })
          .finally(() => {
            over = true;
            if (this.run !== run) return;
            this.run = null;
            this.setShare(null);
          });
      },
      // the first plan of a page at once; after that, what is noted in one breath is planned in one
      from ? restMs : asked.standing ? settleMs : 0,
    );
  }

  /** A browser that lets no worker run: a plan at once, and what can be promised by it, are worked out here, with fewer runs. */
  private async alone(asked: Asked, from: PlanNow | null): Promise<void> {
    const own = await fetchQuick().catch(() => null);
    // no network, and nothing of it here: what stands is shown, and the next entry asks again
    if (!own) return;
    const { planNow, promiseWork } = own;
    if (this.offered !== asked.input) return;
    const now = from ?? this.found(asked, planNow(asked.shop, asked.input, asked.standing, this.answered !== null));
    if (!now) return;
    this.answered = asked.input;
    const { bench, scatters } = now.shop;
    const promises = promiseWork({ bench, previous: now.plan.plan, scatters, runs: runsAlone });
    this.set({ answer: { plan: now.plan, promises, others: null }, answeredFor: asked.input.jobs });
  }

  /** @returns the plan in force from now on */
  private take(input: BenchInput, from: PlanNow, answer: PlanAnswer): PlanNow {
    const firstTime = this.answered === null;
    this.answered = input;
    if (this.snapshot.now !== from) return from;
    const told = { answer, answeredFor: input.jobs };
    if (answer.plan.breaches.length || samePlan(answer.plan, from.plan)) {
      this.set(told);
      return from;
    }
    const now = { ...from, plan: answer.plan };
    this.set({
      ...told,
      now,
      ...(firstTime ? {} : { change: changeOf(from, now, 'better') ?? this.snapshot.change }),
    });
    return now;
  }
}

/** What a plan is asked for, and the one that stood then. */
interface Asked {
  input: BenchInput;
  shop: ShopBench;
  standing: PlanNow | null;
  why: PlanChange['why'];
}

/** A plan that came over from the worker twice is the same one. */
const samePlan = (a: ShopPlan, b: ShopPlan): boolean =>
  a.plan.length === b.plan.length &&
  a.plan.every((e, i) => {
    const f = b.plan[i]!;
    return e.job === f.job && e.task === f.task && e.startS === f.startS && e.endS === f.endS && e.mode === f.mode;
  });

export const planStore = new PlanStore();
/** @internal a test begins without a plan */
export const forgetPlan = (): void => planStore.forget();

/** Jobs by their logs: a list made anew of the same states is the same. */
const sameJobs = (a: readonly JobState[], b: readonly JobState[]): boolean =>
  a === b ||
  (a.length === b.length &&
    a.every((j, i) => {
      const k = b[i]!;
      return j === k || (j.id === k.id && j.lastEventId === k.lastEventId && j.effective.length === k.effective.length);
    }));
const sameSettings = (a: Settings, b: Settings): boolean => a === b || JSON.stringify(a) === JSON.stringify(b);
