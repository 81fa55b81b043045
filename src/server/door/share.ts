import { Gate } from './gate';

/** What somebody may ask for: so many requests at work, so many waiting, and so many a second after a first rush. */
export interface Share {
  atOnce: number;
  waiting: number;
  rush: number;
  perSecond: number;
}

class Account {
  readonly gate: Gate;
  private left: number;
  private countedAt: number;

  constructor(
    private readonly share: Share,
    now: number,
  ) {
    this.gate = new Gate(share.atOnce, share.waiting);
    this.left = share.rush;
    this.countedAt = now;
  }

  /** Takes one request off; false when there is none left. */
  spend(now: number): boolean {
    this.left = Math.min(this.share.rush, this.left + ((now - this.countedAt) / 1000) * this.share.perSecond);
    this.countedAt = now;
    if (this.left < 1) return false;
    this.left -= 1;
    return true;
  }
}

const MOST_ACCOUNTS = 20_000;

/** Gives everybody a fair share, so that whoever asks for much holds up themselves and nobody else. */
export class Shares {
  private readonly accounts = new Map<string, Account>();

  /** Waits for a turn; resolves with what is to be called at the end, or with null for whoever asks for more than the share. */
  async takeTurn(who: string, share: Share, now: number): Promise<(() => void) | null> {
    const account = this.accounts.get(who) ?? new Account(share, now);
    // What was used last stands last; of too many, the one unused for longest is forgotten.
    this.accounts.delete(who);
    this.accounts.set(who, account);
    if (this.accounts.size > MOST_ACCOUNTS) this.accounts.delete(this.accounts.keys().next().value ?? '');
    return account.spend(now) ? account.gate.enter() : null;
  }
}
