import { refuse } from '@/core/base/result';
import { maybeContext } from '@/server/auth/request';
import { listeningTo } from '@/server/events/listening';
import { newestVersion } from '@/server/events/versions';
import { ownTopics } from '@/server/events/own-topics';
import { respond } from '../respond';

/** A version as it travels; null for none. */
const versionIn = (text: string | null): number | null => (text && /^\d{1,15}$/.test(text) ? Number(text) : null);

/** How often a silent stream shows that it lives, so that nothing on the way takes it for dead. */
const SIGN_OF_LIFE = 15_000;
/** After so long the browser comes again, and is asked again who it is. */
const LONGEST = 10 * 60_000;

/**
 * Tells, as server-sent events, that something changed, never what: a student of the sittings of their courses, whoever
 * writes of their room (`?room=`), a teacher of a sitting that they watch (`?watch=`). Every event has the version that it
 * brings a page to; what changed since the one that a page was made of (`?heard=`), or heard of last, is told at once.
 */
export async function GET(request: Request): Promise<Response> {
  const ctx = await maybeContext();
  if (!ctx) return respond(refuse('not-signed-in'));
  const asked = new URL(request.url).searchParams;
  const topics = await ownTopics(ctx, { room: asked.get('room'), watch: asked.get('watch') });
  const heard =
    versionIn(request.headers.get('Last-Event-ID') ?? asked.get('heard')) ?? (await newestVersion(ctx.db.read));
  const text = new TextEncoder();
  let stop = (): void => undefined;
  const stream = new ReadableStream<Uint8Array>({
    async start(controller) {
      const say = (line: string): void => controller.enqueue(text.encode(line));
      say(`retry: 3000\nid: ${heard}\n\n`);
      const unheard = await listeningTo(ctx.db.read).on(topics, heard, (version) =>
        say(`id: ${version}\nevent: changed\ndata:\n\n`),
      );
      const alive = setInterval(() => say(': alive\n\n'), SIGN_OF_LIFE);
      const end = setTimeout(() => {
        stop();
        controller.close();
      }, LONGEST);
      stop = () => {
        unheard();
        clearInterval(alive);
        clearTimeout(end);
      };
      if (request.signal.aborted) stop();
      else request.signal.addEventListener('abort', stop);
    },
    cancel: () => stop(),
  });
  return new Response(stream, {
    // Compression would hold lines back until there are enough of them.
    headers: { 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store, no-transform' },
  });
}
