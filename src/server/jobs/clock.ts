import pino from 'pino';
import { cancelBroken } from '../marking/mend';
import { outside } from '../outside';
import { BEAT } from '../sittings/heartbeat';
import { startHeartbeat } from './heartbeat';
import { sendWaiting } from '../mail/outbox';
import { markWaiting } from '../marking/mark-handed-in';
import { keepFigures } from '../results/figures';
import { sendScores } from '../platforms/send';
import { releaseDue } from '../results/release';
import { sweep } from '../sittings/hand-in';

const log = pino({ name: 'zonda' });

/** What an error may say in the log: never its message, which can carry answers. */
function nameOf(error: unknown): { error: string; code?: unknown } {
  const cause = error instanceof Error ? (error.cause as { code?: unknown } | undefined) : undefined;
  return { error: error instanceof Error ? error.name : typeof error, ...(cause?.code ? { code: cause.code } : {}) };
}

/** Work that is begun again and again, and never twice at a time. What fails is said in the log. */
function once(name: string, work: () => Promise<void>): () => Promise<void> {
  let going = false;
  return async () => {
    if (going) return;
    going = true;
    try {
      await work();
    } catch (error) {
      log.error(nameOf(error), `${name} failed; it goes on`);
    } finally {
      going = false;
    }
  };
}

/** Begins to say that the server lives, which may give time back; then, every two seconds: put away what a dead process left half done, hand in what is overdue, begin to mark it, hand messages on, tell outside gradebooks, and keep the figures of questions. One at a time. */
export async function startClock(): Promise<void> {
  const mark = once('marking', async () => {
    const { failed } = await markWaiting(await outside());
    for (const error of failed) log.error(nameOf(error), 'an attempt could not be marked');
  });
  const send = once('sending', async () => {
    const { failed } = await sendWaiting(await outside());
    for (const error of failed) log.error(nameOf(error), 'a message could not be handed on');
  });
  const tell = once('telling', async () => {
    for (let sent = 1; sent > 0; ) {
      const told = await sendScores(await outside());
      if (told.failed > 0) log.warn({ failed: told.failed }, 'scores did not arrive at an outside gradebook');
      sent = told.sent;
    }
  });
  const keep = once('keeping figures', async () => {
    const { failed } = await keepFigures(await outside());
    for (const error of failed) log.error(nameOf(error), 'the figures of a sitting could not be reckoned');
  });
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
      void tell();
      void keep();
    } catch (error) {
      log.error(nameOf(error), 'the clock failed; it goes on');
    }
    setTimeout(tick, BEAT).unref();
  };
  await startHeartbeat((error) => log.error(nameOf(error), 'the heartbeat failed; it begins again'));
  await tick();
}
