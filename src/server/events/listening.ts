import type { Reader } from '../db/database';
import { changesSince, newestVersion, type Topic } from './versions';

/** How often a process that somebody listens to asks what is new, in milliseconds. */
const ASK = 400;

type Listener = () => void;

/** What all listeners of this process share: one question to the database for all of them, and none while there are none. */
export class Listening {
  private readonly listeners = new Map<Topic, Set<Listener>>();
  private timer: ReturnType<typeof setTimeout> | null = null;
  private seen: number | null = null;

  constructor(private readonly read: Reader) {}

  /** Calls whenever one of the topics changes, in whichever process, until the function it gives is called. */
  on(topics: readonly Topic[], listener: Listener): () => void {
    for (const topic of topics) {
      const all = this.listeners.get(topic) ?? new Set();
      this.listeners.set(topic, all.add(listener));
    }
    this.timer ??= setTimeout(() => void this.ask(), 0);
    return () => {
      for (const topic of topics) {
        const all = this.listeners.get(topic);
        all?.delete(listener);
        if (all?.size === 0) this.listeners.delete(topic);
      }
    };
  }

  private async ask(): Promise<void> {
    try {
      this.seen ??= await newestVersion(this.read);
      const { topics, newest } = await changesSince(this.read, this.seen);
      this.seen = newest;
      const called = new Set(topics.flatMap((topic) => [...(this.listeners.get(topic) ?? [])]));
      for (const listener of called) listener();
    } catch {
      // A busy database is asked again; nothing was passed over.
    }
    if (this.listeners.size > 0) this.timer = setTimeout(() => void this.ask(), ASK);
    else {
      this.timer = null;
      this.seen = null;
    }
  }
}

/** On the global object, because the framework may load this module more than once in one process. */
const KEY = Symbol.for('zonda.listening');
const holder = globalThis as { [KEY]?: WeakMap<Reader, Listening> };

/** The listening of this process to a database. */
export function listeningTo(read: Reader): Listening {
  const all = (holder[KEY] ??= new WeakMap());
  const mine = all.get(read) ?? new Listening(read);
  all.set(read, mine);
  return mine;
}
