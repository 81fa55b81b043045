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
export type Sent =
  | { state: 'sent'; clock: Saved['clock']; refused: RefusedAnswer[] }
  | { state: 'offline' }
  | { state: 'signed-out' };

export interface RefusedAnswer {
  item: string;
  slot: string | null;
  why: Refused['why'];
}

type Reply = { state: 'taken'; saved: Saved } | { state: 'refused' } | { state: 'offline' } | { state: 'signed-out' };

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
    const waiting = batchesOf(lastOfEach(await this.waiting()));
    const refused: RefusedAnswer[] = [];
    let clock: Saved['clock'] | null = null;
    for (const batch of waiting.length > 0 ? waiting : [[]]) {
      // A batch that is refused as a whole is sent answer by answer.
      const again = await this.post(batch, keepalive);
      const replies =
        again.state === 'refused' && batch.length > 1 ? await this.oneByOne(batch) : [{ batch, reply: again }];
      for (const { batch: sent, reply } of replies) {
        if (reply.state === 'offline' || reply.state === 'signed-out') return reply;
        const no: Refused[] =
          reply.state === 'taken' ? reply.saved.refused : sent.map(({ seq }) => ({ seq, why: 'unfit' as const }));
        if (reply.state === 'taken') clock = reply.saved.clock;
        refused.push(
          ...no.flatMap(({ seq, why }) =>
            sent.filter((u) => u.seq === seq).map(({ item, slot }) => ({ item, slot, why })),
          ),
        );
        await this.forget(sent, [...(reply.state === 'taken' ? reply.saved.saved : []), ...no.map(({ seq }) => seq)]);
      }
    }
    return clock ? { state: 'sent', clock, refused } : this.clockOnly(refused);
  }

  /** After a batch that was refused as a whole, the clock still is asked for. */
  private async clockOnly(refused: RefusedAnswer[]): Promise<Sent> {
    const reply = await this.post([], false);
    if (reply.state === 'taken') return { state: 'sent', clock: reply.saved.clock, refused };
    return reply.state === 'refused' ? { state: 'offline' } : reply;
  }

  private async oneByOne(batch: Unsent[]): Promise<{ batch: Unsent[]; reply: Reply }[]> {
    const replies: { batch: Unsent[]; reply: Reply }[] = [];
    for (const one of batch) replies.push({ batch: [one], reply: await this.post([one], false) });
    return replies;
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
  private async forget(sent: readonly Unsent[], seqs: readonly number[]): Promise<void> {
    const done = sent.filter(({ seq }) => seqs.includes(seq));
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
