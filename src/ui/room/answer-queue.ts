import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import type { Result } from '@/core/base/result';
import { batchesOf, lastOfEach, placeOf, type Unsent } from '@/core/sittings/unsent';
import type { Refused, Saved } from '@/server/sittings/save-answers';

/** An answer of an attempt, kept on the device until the server has it. Numbers count per tab, so that two tabs never clash. */
export interface KeptAnswer extends Unsent {
  attempt: string;
}

interface Schema extends DBSchema {
  answers: { key: [string, string, number]; value: KeptAnswer; indexes: { attempt: string } };
}

let database: Promise<IDBPDatabase<Schema>> | undefined;
function open(): Promise<IDBPDatabase<Schema>> {
  database ??= openDB<Schema>('zonda-room', 1, {
    upgrade(db) {
      db.createObjectStore('answers', { keyPath: ['attempt', 'device', 'seq'] }).createIndex('attempt', 'attempt');
    },
  });
  return database;
}

/** What came of sending. Answers that the server refused are no longer on their way; all others are kept until they are saved. */
export interface Sent {
  state: 'sent' | 'offline' | 'signed-out';
  /** The server's word about time, if it gave one. */
  clock: Saved['clock'] | null;
  refused: RefusedAnswer[];
}

export interface RefusedAnswer {
  item: string;
  slot: string | null;
  why: Refused['why'];
}

type Reply = { state: 'taken'; saved: Saved } | { state: 'refused' | 'offline' | 'signed-out' };

/** The answers of one attempt on their way to the server. */
export class AnswerQueue {
  private readonly device = crypto.randomUUID();
  private seq = 0;
  /** The last change of each place that this tab kept: the next one takes its place. */
  private readonly kept = new Map<string, number>();

  constructor(private readonly attempt: string) {}

  /** Keeps a change on the device; resolves when it is there. */
  async add(item: string, slot: string | null, value: unknown): Promise<void> {
    this.seq += 1;
    const { attempt, device, seq, kept } = this;
    const place = placeOf({ item, slot });
    const before = kept.get(place);
    kept.set(place, seq);
    const writing = (await open()).transaction('answers', 'readwrite');
    void writing.store.put({ attempt, device, seq, item, slot, value, at: Date.now() });
    if (before !== undefined) void writing.store.delete([attempt, device, before]);
    await writing.done;
  }

  /** What the server does not have yet, in the order of writing; also from other tabs and from before a reload. */
  async waiting(): Promise<KeptAnswer[]> {
    const all = await (await open()).getAllFromIndex('answers', 'attempt', this.attempt);
    return all.sort((a, b) => a.at - b.at || a.seq - b.seq);
  }

  /** Sends what waits; with nothing to send it asks for the clock. What is refused holds up nothing else. */
  async send(keepalive = false): Promise<Sent> {
    const batches = batchesOf(lastOfEach(await this.waiting()));
    const line: Unsent[][] = batches.length > 0 ? batches : [[]];
    const refused: RefusedAnswer[] = [];
    let clock: Sent['clock'] = null;
    for (let batch = line.shift(); batch; batch = line.shift()) {
      const reply = await this.post(batch, keepalive);
      if (reply.state === 'refused' && batch.length > 0) {
        // What was refused as a whole goes answer by answer, until the one is found.
        if (batch.length > 1) line.unshift(...batch.map((one) => [one]));
        else {
          refused.push(...batch.map(({ item, slot }) => ({ item, slot, why: 'unfit' as const })));
          await this.forget(batch);
        }
      } else if (reply.state !== 'taken') {
        return { state: reply.state === 'signed-out' ? 'signed-out' : 'offline', clock, refused };
      } else {
        const { saved, refused: no } = reply.saved;
        const why = new Map(no.map((one) => [one.seq, one.why]));
        clock = reply.saved.clock;
        for (const { seq, item, slot } of batch) {
          const reason = why.get(seq);
          if (reason) refused.push({ item, slot, why: reason });
        }
        await this.forget(batch.filter(({ seq }) => saved.includes(seq) || why.has(seq)));
      }
    }
    return { state: 'sent', clock, refused };
  }

  private async post(batch: readonly Unsent[], keepalive: boolean): Promise<Reply> {
    const entries = batch.map(({ seq, item, slot, value, at }) => ({
      seq,
      item,
      slot,
      value,
      age: Math.max(0, Date.now() - at),
    }));
    let response: Response;
    try {
      response = await fetch(`/api/room/${this.attempt}`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ device: batch[0]?.device ?? this.device, entries }),
        keepalive,
        signal: AbortSignal.timeout(10_000),
      });
    } catch {
      return { state: 'offline' };
    }
    // Somebody else may be signed in now: what was written here is not theirs to lose.
    if ([401, 403, 404].includes(response.status)) return { state: 'signed-out' };
    if (response.status >= 500) return { state: 'offline' };
    const result = (await response.json()) as Result<Saved>;
    return result.ok ? { state: 'taken', saved: result.value } : { state: 'refused' };
  }

  /** Takes from the device what needs no sending any more: these, and the older changes of the same places. */
  private async forget(done: readonly Unsent[]): Promise<void> {
    if (done.length === 0) return;
    const all = await this.waiting();
    const writing = (await open()).transaction('answers', 'readwrite');
    for (const one of all) {
      const over = done.some((d) => d.device === one.device && placeOf(d) === placeOf(one) && one.seq <= d.seq);
      if (over) void writing.store.delete([this.attempt, one.device, one.seq]);
    }
    await writing.done;
  }
}
