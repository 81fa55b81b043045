import { Gate } from './gate';

/** One session may have so many requests at work and so many waiting; a browser opens six connections. */
const ORDINARY = { atOnce: 6, waiting: 60 };

const KEY = Symbol.for('zonda.shares');
const holder = globalThis as { [KEY]?: Map<string, Gate> };
const shares = (holder[KEY] ??= new Map<string, Gate>());

/**
 * Waits until a session has its turn, so that one that asks for much holds up
 * itself and no other. Resolves with what is to be called at the end; null when
 * it asks for more than can wait.
 */
export async function takeTurn(session: string, share = ORDINARY): Promise<(() => void) | null> {
  const gate = shares.get(session) ?? new Gate(share.atOnce, share.waiting);
  shares.set(session, gate);
  const leave = await gate.enter();
  if (!leave) return null;
  return () => {
    leave();
    if (gate.idle) shares.delete(session);
  };
}
