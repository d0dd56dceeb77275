/**
 * Long work in small steps: whoever runs it may look at the clock, hear what is new, or leave it, between any two of them.
 * What it comes to is the same however it is run.
 */
export type Steps<T> = Generator<void, T, void>;

/** Runs it to its end in one go. Errors: what the work throws. */
export function drained<T>(work: Steps<T>): T {
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
  }
}
