import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import type { Unsent } from '@/core/sittings/unsent';

/** An answer of an attempt, kept on the device until the server has it. Numbers count per tab, so that two tabs never clash. */
export interface KeptAnswer extends Unsent {
  attempt: string;
}

/** A file beside an answer, kept on the device until the server has all of it. */
export interface KeptFile {
  attempt: string;
  hash: string;
  name: string;
  size: number;
  bytes: Blob;
  /** When it was chosen, in milliseconds on the device's own clock. */
  at: number;
}

interface Schema extends DBSchema {
  answers: { key: [string, string, number]; value: KeptAnswer; indexes: { attempt: string } };
  files: { key: [string, string]; value: KeptFile; indexes: { attempt: string } };
}

let database: Promise<IDBPDatabase<Schema>> | undefined;
function open(): Promise<IDBPDatabase<Schema>> {
  database ??= openDB<Schema>('zonda-room', 2, {
    upgrade(db, from) {
      if (from < 1)
        db.createObjectStore('answers', { keyPath: ['attempt', 'device', 'seq'] }).createIndex('attempt', 'attempt');
      db.createObjectStore('files', { keyPath: ['attempt', 'hash'] }).createIndex('attempt', 'attempt');
    },
    // An older page in another tab would hold up this one otherwise, and this one a newer.
    blocking(_, __, event) {
      (event.target as IDBDatabase).close();
      database = undefined;
    },
  });
  return database;
}

/** Whether this device keeps anything beyond the page: tried with an entry of no attempt. */
export async function keepsOnDevice(): Promise<boolean> {
  const tried: KeptAnswer = { attempt: '', device: 'try', seq: 1, item: '', slot: null, value: null, at: 0 };
  try {
    const here = await open();
    await here.put('answers', tried);
    await here.delete('answers', answerKey(tried));
    return true;
  } catch {
    return false;
  }
}

const answerKey = ({ attempt, device, seq }: KeptAnswer): [string, string, number] => [attempt, device, seq];
const fileKey = ({ attempt, hash }: Pick<KeptFile, 'attempt' | 'hash'>): [string, string] => [attempt, hash];

/**
 * What of an attempt waits on this device. A device that keeps nothing (a private window, a full disk) is no reason to
 * lose what is written: it waits in the page then.
 */
export class DeviceStore {
  private readonly answersHere = new Map<string, KeptAnswer>();
  private readonly filesHere = new Map<string, KeptFile>();

  constructor(private readonly attempt: string) {}

  /** Whether all that waits would outlive the page. */
  get lasting(): boolean {
    return this.answersHere.size + this.filesHere.size === 0;
  }

  /** Whether nothing waits. */
  async empty(): Promise<boolean> {
    return (await this.answers()).length + (await this.files()).length === 0;
  }

  /** Keeps an answer, in the place of older ones. */
  async putAnswer(answer: KeptAnswer, instead: readonly KeptAnswer[]): Promise<void> {
    try {
      const writing = (await open()).transaction('answers', 'readwrite');
      const { store, done } = writing;
      await Promise.all([store.put(answer), ...instead.map((old) => store.delete(answerKey(old))), done]);
    } catch {
      this.answersHere.set(answerKey(answer).join(), answer);
    }
    for (const old of instead) this.answersHere.delete(answerKey(old).join());
  }

  /** In the order of writing; also from other tabs and from before a reload. */
  async answers(): Promise<KeptAnswer[]> {
    const lasting = await orNothing(async () => (await open()).getAllFromIndex('answers', 'attempt', this.attempt));
    return [...lasting, ...this.answersHere.values()].sort((a, b) => a.at - b.at || a.seq - b.seq);
  }

  async removeAnswers(gone: readonly KeptAnswer[]): Promise<void> {
    for (const one of gone) this.answersHere.delete(answerKey(one).join());
    await orNothing(async () => {
      const writing = (await open()).transaction('answers', 'readwrite');
      await Promise.all([...gone.map((one) => writing.store.delete(answerKey(one))), writing.done]);
      return [];
    });
  }

  async putFile(file: KeptFile): Promise<void> {
    try {
      await (await open()).put('files', file);
    } catch {
      this.filesHere.set(file.hash, file);
    }
  }

  /** Those chosen first come first. */
  async files(): Promise<KeptFile[]> {
    const lasting = await orNothing(async () => (await open()).getAllFromIndex('files', 'attempt', this.attempt));
    return [...lasting, ...this.filesHere.values()].sort((a, b) => a.at - b.at);
  }

  async removeFile(hash: string): Promise<void> {
    this.filesHere.delete(hash);
    await orNothing(async () => {
      await (await open()).delete('files', fileKey({ attempt: this.attempt, hash }));
      return [];
    });
  }
}

/** What the device's database gives; nothing where there is none. */
async function orNothing<T>(work: () => Promise<T[]>): Promise<T[]> {
  try {
    return await work();
  } catch {
    return [];
  }
}
