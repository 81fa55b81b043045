/** A mending that is being applied in this process. */
export interface RunningMending {
  id: string;
  sitting: string;
  done: number;
  total: number;
  cancel: () => void;
  /** Settles when it counts, or when nothing of it does. */
  ended: Promise<void>;
}

const KEY = Symbol.for('zonda.mendings');
const holder = globalThis as { [KEY]?: RunningMending[] };

/** On the global object, because the framework may load this module more than once in one process. */
export function runningMendings(): RunningMending[] {
  return (holder[KEY] ??= []);
}
