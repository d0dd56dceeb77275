import { LeftError } from './leftError';
import { firstPlanOf, planWorkSteps, searchShare, type PlanAnswer, type PlanPart, type PlanQuestion } from './planWork';
import type { Steps } from './steps';
import type { PlanEntry } from './types';

/** How far a search was when it was left, and what it had found by then. */
interface Left {
  share: number;
  plan: PlanEntry[];
}

export interface SessionQuestion extends PlanQuestion {
  /** after a first plan, so long nothing is searched, ms */
  restMs: number;
}

/** The session's clock and how it lets others be heard. */
export interface Around {
  nowMs: () => number;
  /** lets messages come in, and goes on after at least so long, ms */
  pause: (ms: number) => Promise<void>;
}

/** Between two pauses, ms. Judgement: a note that comes in meanwhile waits no longer than a frame. */
const breathMs = 12;
/** Share of the search that is always done anew for a bench that changed. Judgement. */
const leastShare = 1 / 3;

/**
 * One search for the best plan of a bench, which goes on over what is noted: a question that comes while an earlier one is
 * searched takes over what that one had found, and does what was left of its work.
 */
export class PlanSession {
  private turn = 0;
  private running: (() => Left) | null = null;
  private left: Left | null = null;

  constructor(private readonly around: Around) {}

  /** Nothing is searched until the next question; what was found is kept for it. */
  hold(): void {
    this.turn++;
    if (this.running) this.left = this.running();
    this.running = null;
  }

  /** The next step; work that breaks leaves nothing to take over. */
  private stepOf(steps: Steps<PlanAnswer>): IteratorResult<void, PlanAnswer> {
    try {
      return steps.next();
    } catch (e) {
      this.running = null;
      throw e;
    }
  }

  /**
   * @param tell share that is done, 0 to 1
   * @param part what is there before the whole answer
   * Errors: LeftError when it was left for another one or held; what `planShop` throws
   */
  async ask(q: SessionQuestion, tell: (share: number) => void, part: (p: PlanPart) => void): Promise<PlanAnswer> {
    this.hold();
    const turn = this.turn;
    const heard = async (ms: number) => {
      await this.around.pause(ms);
      if (turn !== this.turn) throw new LeftError();
    };
    let asked: PlanQuestion = q;
    if (q.first) {
      // nothing was planned for this bench: what was found is another bench's
      this.left = null;
      const plan = firstPlanOf(q);
      part({ plan, promises: null, others: null });
      asked = { ...q, first: false, previous: plan.plan };
      await heard(q.restMs);
    }
    const before = this.left;
    this.left = null;
    // the seeds that were searched through are not searched again
    const done = Math.min((1 - leastShare) * searchShare, before?.share ?? 0);
    if (before)
      asked = { ...asked, found: before.plan, seeds: q.seeds.slice(Math.floor((done / searchShare) * q.seeds.length)) };
    let share = done;
    let best: (() => PlanEntry[]) | null = null;
    this.running = () => ({ share, plan: best?.() ?? before?.plan ?? [] });
    const steps = planWorkSteps(
      asked,
      (s, found) => {
        // a reheat that has to be put in lets the work begin anew: what is told never goes back
        share = Math.max(share, done + (1 - done) * s);
        if (found) best = found;
        tell(share);
      },
      this.around.nowMs,
      part,
    );
    let until = this.around.nowMs() + breathMs;
    for (;;) {
      const step = this.stepOf(steps);
      if (step.done) {
        this.running = null;
        return step.value;
      }
      if (this.around.nowMs() < until) continue;
      await heard(0);
      until = this.around.nowMs() + breathMs;
    }
  }
}
