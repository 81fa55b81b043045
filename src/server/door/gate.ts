/** Lets so many through at a time, in the order of coming; who comes when too many wait is turned away. */
export class Gate {
  private inside = 0;
  private readonly waiting: (() => void)[] = [];

  constructor(
    private readonly most: number,
    private readonly mostWaiting: number,
  ) {}

  /** Resolves with what is to be called when one is done; null when turned away. */
  async enter(): Promise<(() => void) | null> {
    if (this.inside >= this.most) {
      if (this.waiting.length >= this.mostWaiting) return null;
      // Whoever leaves hands the place on.
      await new Promise<void>((mine) => this.waiting.push(mine));
    } else {
      this.inside += 1;
    }
    let left = false;
    return () => {
      if (left) return;
      left = true;
      const next = this.waiting.shift();
      if (next) next();
      else this.inside -= 1;
    };
  }
}
