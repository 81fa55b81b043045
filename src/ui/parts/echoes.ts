/**
 * Tells what an editor wrote itself, when it comes back to it as a value, from what came from elsewhere: undo, another
 * tab, a colleague. On a busy device a value comes back late, when more has been written already; putting it in then
 * would take back what was typed since.
 */
export class Echoes<T> {
  private own: T[];

  /** `first`: what the editor began with. */
  constructor(first: T) {
    this.own = [first];
  }

  write(value: T): void {
    this.own.push(value);
  }

  /** Whether a value that comes back was written here. Older ones do not come back after it. */
  isOwn(value: T): boolean {
    this.own = this.own.slice(Math.max(0, this.own.lastIndexOf(value)));
    if (this.own[0] === value) return true;
    this.own = [];
    return false;
  }
}
