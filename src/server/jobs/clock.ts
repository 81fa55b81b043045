import pino from 'pino';
import { cancelBroken } from '../marking/mend';
import { outside } from '../outside';
import { BEAT, beat } from '../sittings/heartbeat';
import { sweep } from '../sittings/hand-in';

const log = pino({ name: 'zonda' });

/** What an error may say in the log: never its message, which can carry answers. */
function nameOf(error: unknown): { error: string; code?: unknown } {
  const cause = error instanceof Error ? (error.cause as { code?: unknown } | undefined) : undefined;
  return { error: error instanceof Error ? error.name : typeof error, ...(cause?.code ? { code: cause.code } : {}) };
}

/** Every two seconds: say that the server lives, put away what a dead process left half done, and hand in what is overdue. One at a time. */
export async function startClock(): Promise<void> {
  const tick = async (): Promise<void> => {
    try {
      await beat(await outside());
      await cancelBroken(await outside());
      const { handedIn, failed } = await sweep(await outside());
      if (handedIn > 0) log.info({ handedIn }, 'handed in by the clock');
      for (const error of failed) log.error(nameOf(error), 'an attempt could not be handed in by the clock');
    } catch (error) {
      log.error(nameOf(error), 'the clock failed; it goes on');
    }
    setTimeout(tick, BEAT).unref();
  };
  await tick();
}
