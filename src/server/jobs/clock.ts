import pino from 'pino';
import { cancelBroken } from '../marking/mend';
import { outside } from '../outside';
import { BEAT } from '../sittings/heartbeat';
import { startHeartbeat } from './heartbeat';
import { sendWaiting } from '../mail/outbox';
import { markWaiting } from '../marking/mark-handed-in';
import { releaseDue } from '../results/release';
import { sweep } from '../sittings/hand-in';

const log = pino({ name: 'zonda' });

/** What an error may say in the log: never its message, which can carry answers. */
function nameOf(error: unknown): { error: string; code?: unknown } {
  const cause = error instanceof Error ? (error.cause as { code?: unknown } | undefined) : undefined;
  return { error: error instanceof Error ? error.name : typeof error, ...(cause?.code ? { code: cause.code } : {}) };
}

/** Begins to say that the server lives, which may give time back; then, every two seconds: put away what a dead process left half done, hand in what is overdue, begin to mark it, and hand messages on. One at a time. */
export async function startClock(): Promise<void> {
  let marking = false;
  const mark = async (): Promise<void> => {
    if (marking) return;
    marking = true;
    try {
      const { failed } = await markWaiting(await outside());
      for (const error of failed) log.error(nameOf(error), 'an attempt could not be marked');
    } catch (error) {
      log.error(nameOf(error), 'marking failed; it goes on');
    } finally {
      marking = false;
    }
  };
  let sending = false;
  const send = async (): Promise<void> => {
    if (sending) return;
    sending = true;
    try {
      const { failed } = await sendWaiting(await outside());
      for (const error of failed) log.error(nameOf(error), 'a message could not be handed on');
    } catch (error) {
      log.error(nameOf(error), 'sending failed; it goes on');
    } finally {
      sending = false;
    }
  };
  const tick = async (): Promise<void> => {
    try {
      await cancelBroken(await outside());
      const { handedIn, failed } = await sweep(await outside());
      if (handedIn > 0) log.info({ handedIn }, 'handed in by the clock');
      for (const error of failed) log.error(nameOf(error), 'an attempt could not be handed in by the clock');
      for (const error of await releaseDue(await outside()))
        log.error(nameOf(error), 'a planned release failed; it is tried again');
      // The clock goes on while that lasts.
      void mark();
      void send();
    } catch (error) {
      log.error(nameOf(error), 'the clock failed; it goes on');
    }
    setTimeout(tick, BEAT).unref();
  };
  await startHeartbeat((error) => log.error(nameOf(error), 'the heartbeat failed; it begins again'));
  await tick();
}
