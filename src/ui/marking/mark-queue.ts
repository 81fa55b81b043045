import { oneAtATime } from '../parts/one-at-a-time';

/** Marks are sent so long after the last key, in milliseconds. */
const AFTER_TYPING = 450;
/** A server that was not reached is tried again so often. */
const AGAIN = 3000;

/**
 * Marks on their way to the server: a moment after they were typed, one after the other, of each answer the newest alone.
 * One stays in the queue until the server has said something to it.
 */
export class MarkQueue<T> {
  private readonly toGive = new Map<string, T>();
  private readonly line = oneAtATime();
  private timer: ReturnType<typeof setTimeout> | undefined;

  /**
   * `give` sends one to its answer and says whether the server was reached; `newest` tells afterwards whether it still is
   * what is wanted. `tell` hears after each sending how many wait because the server was not reached.
   */
  constructor(
    private readonly give: (one: T, newest: () => boolean) => Promise<boolean>,
    private readonly tell: (waiting: number) => void,
  ) {}

  put(answer: string, one: T): void {
    this.toGive.set(answer, one);
    this.sendIn(AFTER_TYPING);
  }

  /** Sends at once what there is. */
  flush(): void {
    if (this.toGive.size > 0) void this.line(() => this.send());
  }

  private sendIn(ms: number): void {
    clearTimeout(this.timer);
    this.timer = setTimeout(() => this.flush(), ms);
  }

  private async send(): Promise<void> {
    clearTimeout(this.timer);
    // What is typed meanwhile has its own time.
    for (const [answer, one] of [...this.toGive]) {
      const newest = (): boolean => this.toGive.get(answer) === one;
      if (!newest()) continue;
      if (!(await this.give(one, newest))) {
        this.sendIn(AGAIN);
        return this.tell(this.toGive.size);
      }
      if (newest()) this.toGive.delete(answer);
    }
    this.tell(0);
  }
}
