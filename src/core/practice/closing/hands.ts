import { randomOf } from '../../numeric/random';
import { judgement } from '../../source';
import type { Style } from '../manner';
import type { ClosingBench } from './bench';
import { closingFigures, type ClosingAction, type ClosingHappened, type ClosingState } from './case';
import { filmDryS } from '../../alcohol/drying';

export const closingHandFigures = {
  rubMmS: judgement(60, 'a cloth goes along the ledge so fast'),
  lookMmS: judgement(20, 'a slow look with the lamp'),
  eyeShare: judgement(0.15, 'a hand sees that a strand is so much too thick or too thin, and changes its speed'),
  stretchMm: judgement(15, 'so much is laid before the strand is looked at again'),
};

/** How a style goes about closing a joint. */
interface Way {
  /** rubs after which nobody looks again; looks with the lamp over all of it */
  mostRubs: number;
  looks: number;
  /** of the speed that is said, and whether the strand is watched */
  speed: number;
  watches: boolean;
  /** of the wait that is said before it is closed */
  wait: number;
  /** of the clips that are said, and of the time until they may come off */
  clips: number;
  time: number;
}

const wayOf = (style: Style, random: () => number): Way =>
  ({
    guided: { mostRubs: 40, looks: 2, speed: 1, watches: true, wait: 1.05, clips: 1, time: 1 },
    reckless: { mostRubs: 2, looks: 0, speed: 2.5, watches: false, wait: 0, clips: 0.3, time: 0.2 },
    timid: { mostRubs: 80, looks: 4, speed: 0.4, watches: true, wait: 2.5, clips: 1, time: 2 },
    random: {
      mostRubs: 1 + Math.floor(12 * random()),
      looks: Math.floor(3 * random()),
      speed: 0.4 + 2 * random(),
      watches: random() < 0.5,
      wait: 3 * random(),
      clips: 0.3 + 1.2 * random(),
      time: 0.1 + 1.5 * random(),
    },
  })[style];

/** What the calls say of clips and hours. */
export interface ClosingCalls {
  clip: { count: number; forceN: number; even: boolean };
  /** s after closing at which clips come off and it may be handed over */
  clampOffS: number;
  handOverS: number;
  /** how much slower than between two open edges it cures at the latest */
  edgeLate: number;
}

export interface ClosingWorked {
  state: ClosingState;
  happened: ClosingHappened[];
}

export interface ClosingHandsInput {
  bench: ClosingBench;
  style: Style;
  seed: number;
  calls: ClosingCalls;
}

class ClosingHands {
  readonly out: ClosingWorked;
  private readonly way: Way;

  constructor(private readonly at: ClosingHandsInput) {
    this.out = { state: at.bench.start(), happened: [] };
    this.way = wayOf(at.style, randomOf(at.seed * 69069 + 5));
  }

  private act(a: ClosingAction, dtS: number): void {
    const done = this.at.bench.step(this.out.state, a, dtS);
    this.out.state = done.state;
    this.out.happened.push(...done.happened);
  }

  /** Rubs each patch until it is bare to the eye, then what film the lamp would show. */
  private cleans(): void {
    const { bench } = this.at;
    const { wiperMm, visible, filmMost } = closingFigures;
    const w = wiperMm.value;
    const n = Math.round(bench.about.path.lengthMm / w);
    for (let k = 0; k < n; k++) {
      const [fromMm, toMm] = [k * w, (k + 1) * w];
      const cells = bench.passes(fromMm, toMm, w).map((p) => p.cell);
      const worst = (of: readonly number[]) => Math.max(...cells.map((c) => of[c]!));
      // nothing wet where it would reach the dry stretch beside a camera
      const dry = [fromMm - w, fromMm, toMm, toMm + w].some((s) => bench.dryOnly(s));
      const rub = (wet: boolean) => this.act({ kind: 'rub', fromMm, toMm, wet }, w / closingHandFigures.rubMmS.value);
      let rubs = 0;
      while (worst(this.out.state.glue) > visible.value && rubs++ < this.way.mostRubs) rub(false);
      while (this.way.looks > 0 && worst(this.out.state.film) > filmMost.value && rubs++ < this.way.mostRubs) rub(!dry);
    }
    for (let i = 0; i < this.way.looks; i++) this.looksOver();
    this.dries();
  }

  /** The lamp goes all round; each crumb that shows is taken out. */
  private looksOver(): void {
    const { path } = this.at.bench.about;
    const { stretchMm, lookMmS } = closingHandFigures;
    const n = Math.ceil(path.lengthMm / stretchMm.value);
    for (let k = 0; k < n; k++) {
      const before = this.out.happened.length;
      const [fromMm, toMm] = [(k * path.lengthMm) / n, ((k + 1) * path.lengthMm) / n];
      this.act({ kind: 'look', fromMm, toMm }, (toMm - fromMm) / lookMmS.value);
      for (const h of this.out.happened.slice(before))
        if (h.what === 'crumbSeen') this.act({ kind: 'pick', sMm: h.sMm }, closingFigures.pickS.value);
    }
  }

  private dries(): void {
    const { state } = this.out;
    const last = Math.max(-Infinity, ...state.wetAtS.flatMap((t) => (t === null ? [] : [t])));
    const until = last + filmDryS(this.at.bench.about.roomC) + 1;
    if (this.way.looks > 0 && until > state.tS) this.act({ kind: 'wait' }, until - state.tS);
  }

  /** Once round with the nozzle; where the strand is watched, faster where it is thick and slower where it is thin. */
  private lays(): void {
    const { bench } = this.at;
    const { bead, path } = bench.about;
    const { stretchMm, eyeShare } = closingHandFigures;
    let speed = bead.feedMmS * this.way.speed;
    const n = Math.ceil(path.lengthMm / stretchMm.value);
    const mm = path.lengthMm / n;
    for (let k = 0; k < n; k++) {
      this.act({ kind: 'lay', fromMm: k * mm, toMm: (k + 1) * mm }, mm / speed);
      // what lies in the middle of what was just laid
      const laid = this.out.state.laidMm2[bench.cellAt((k + 0.5) * mm)]! / bead.sectionMm2;
      if (this.way.watches && Math.abs(laid - this.meant()) > eyeShare.value) speed *= laid / this.meant();
    }
    this.act({ kind: 'wait' }, bead.open.waitS * this.way.wait);
  }

  /** Share of the planned section that this hand is content with. */
  private meant(): number {
    return 1 / Math.max(0.4, this.way.speed);
  }

  private holds(): void {
    const { clip, clampOffS, handOverS } = this.at.calls;
    const { readyS } = closingFigures;
    const on: ClosingAction = { kind: 'clamp', ...clip, count: Math.max(1, Math.round(clip.count * this.way.clips)) };
    this.act(on, readyS.value);
    this.act({ kind: 'wait' }, Math.max(0, clampOffS * this.way.time - readyS.value));
    this.act({ kind: 'unclamp' }, readyS.value);
    // what slipped is seen, pressed again and held for as long as it is said once more
    if (this.out.state.slippedAtS !== null && this.at.style !== 'reckless') {
      this.act(on, readyS.value);
      this.act({ kind: 'wait' }, clampOffS);
      this.act({ kind: 'unclamp' }, readyS.value);
    }
    this.act({ kind: 'wait' }, Math.max(0, handOverS * this.way.time - this.out.state.tS));
    this.act({ kind: 'handOver' }, 0);
  }

  work(): ClosingWorked {
    if (this.at.bench.from === 'dirty') this.cleans();
    if (this.at.bench.from === 'bare' && this.at.bench.about.by === 'bead') this.lays();
    if (this.at.bench.from !== 'closed') this.act({ kind: 'close' }, 0);
    else this.holds();
    return this.out;
  }
}

/** Cleans, lays and closes, or holds and hands over, by what is said and seen. The same input, the same end. */
export const workClosing = (input: ClosingHandsInput): ClosingWorked => new ClosingHands(input).work();
