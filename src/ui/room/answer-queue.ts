import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import type { Result } from '@/core/base/result';
import type { Saved } from '@/server/sittings/save-answers';

/** One change of an answer, kept on the device until the server has it. */
export interface KeptAnswer {
  attempt: string;
  /** The tab that wrote it; numbers count per tab, so that two tabs never clash. */
  device: string;
  seq: number;
  item: string;
  slot: string | null;
  value: unknown;
  /** When it was written, on this device's own clock; only differences of it are ever used. */
  at: number;
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

export type Sent =
  | { state: 'sent'; reply: Saved }
  | { state: 'offline' }
  | { state: 'signed-out' }
  | { state: 'refused' };

/** The answers of one attempt on their way to the server. */
export class AnswerQueue {
  private readonly device = crypto.randomUUID();
  private seq = 0;

  constructor(private readonly attempt: string) {}

  /** Keeps a change on the device; resolves when it is there. */
  async add(item: string, slot: string | null, value: unknown): Promise<void> {
    this.seq += 1;
    const kept: KeptAnswer = {
      attempt: this.attempt,
      device: this.device,
      seq: this.seq,
      item,
      slot,
      value,
      at: Date.now(),
    };
    await (await open()).put('answers', kept);
  }

  /** What the server does not have yet, in the order of writing; also from other tabs and from before a reload. */
  async waiting(): Promise<KeptAnswer[]> {
    const all = await (await open()).getAllFromIndex('answers', 'attempt', this.attempt);
    return all.sort((a, b) => a.at - b.at || a.seq - b.seq);
  }

  /** Sends what waits, one tab's answers in one request; with nothing to send it asks for the clock. */
  async send(keepalive = false): Promise<Sent> {
    const kept = await this.waiting();
    const devices = [...new Set([...kept.map((k) => k.device), ...(kept.length === 0 ? [this.device] : [])])];
    let last: Sent = { state: 'offline' };
    for (const device of devices) {
      last = await this.sendFrom(device, kept.filter((k) => k.device === device).slice(0, 200), keepalive);
      if (last.state !== 'sent') return last;
    }
    return last;
  }

  private async sendFrom(device: string, kept: KeptAnswer[], keepalive: boolean): Promise<Sent> {
    const entries = kept.map(({ seq, item, slot, value, at }) => ({
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
        body: JSON.stringify({ device, entries }),
        keepalive,
        signal: AbortSignal.timeout(10_000),
      });
    } catch {
      return { state: 'offline' };
    }
    if (response.status === 401) return { state: 'signed-out' };
    if (response.status >= 500) return { state: 'offline' };
    const result = (await response.json()) as Result<Saved>;
    if (!result.ok) return { state: 'refused' };
    const db = await open();
    const done = db.transaction('answers', 'readwrite');
    for (const seq of [...result.value.saved, ...result.value.refused])
      void done.store.delete([this.attempt, device, seq]);
    await done.done;
    return { state: 'sent', reply: result.value };
  }
}
