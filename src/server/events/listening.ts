import type { Reader } from '../db/database';
import { changesSince, newestVersion, newestVersionOf, type Topic } from './versions';

/** How often a process that somebody listens to asks what is new, in milliseconds. */
const ASK = 400;

/** Hears of a change, and of its version. */
type Listener = (version: number) => void;

/** What all listeners of this process share: one question to the database for all of them, and none while there are none. */
export class Listening {
  private readonly listeners = new Map<Topic, Set<Listener>>();
  private timer: ReturnType<typeof setTimeout> | null = null;
  private seen: number | null = null;

  constructor(private readonly read: Reader) {}

  /**
   * Calls once for each change of one of the topics after a version, in whichever process, until the function it gives
   * is called; at once for what has changed since then already.
   */
  async on(topics: readonly Topic[], version: number, listener: Listener): Promise<() => void> {
    let told = version;
    const tell = (changedIn: number): void => {
      if (changedIn <= told) return;
      told = changedIn;
      listener(changedIn);
    };
    this.seen ??= await newestVersion(this.read);
    for (const topic of topics) {
      const all = this.listeners.get(topic) ?? new Set();
      this.listeners.set(topic, all.add(tell));
    }
    // From here on nothing is missed; what came before is looked up.
    this.timer ??= setTimeout(() => void this.ask(), ASK);
    const stop = (): void => {
      for (const topic of topics) {
        const all = this.listeners.get(topic);
        all?.delete(tell);
        if (all?.size === 0) this.listeners.delete(topic);
      }
    };
    try {
      tell(await newestVersionOf(this.read, topics));
    } catch (error) {
      stop();
      throw error;
    }
    return stop;
  }

  private async ask(): Promise<void> {
    try {
      this.seen ??= await newestVersion(this.read);
      const changes = await changesSince(this.read, this.seen);
      this.seen = changes.at(-1)?.version ?? this.seen;
      // The newest first: whoever listens to several of what changed together hears of it once.
      for (const { topic, version } of changes.reverse())
        for (const listener of this.listeners.get(topic) ?? []) listener(version);
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
