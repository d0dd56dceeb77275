/** Heating goes off by itself when nobody has asked for a reading for this long, ms. */
export const deadManMs = 10_000;

/** Watches whether somebody still reads while something heats. */
export class DeadMan {
  private askedAt: number;
  private readonly timer: NodeJS.Timeout;

  /** @param off switches the heat off; called once for each time that nobody asks any more */
  constructor(
    private readonly heats: () => boolean,
    private readonly off: () => void,
    private readonly now: () => number = Date.now,
  ) {
    this.askedAt = now();
    this.timer = setInterval(() => this.look(), 1000);
    this.timer.unref();
  }

  /** Somebody read, or set the heater. */
  asked(): void {
    this.askedAt = this.now();
  }

  look(): void {
    if (this.heats() && this.now() - this.askedAt > deadManMs) this.off();
  }

  end(): void {
    clearInterval(this.timer);
  }
}
