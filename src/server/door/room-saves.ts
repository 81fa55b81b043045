import type { IncomingMessage, ServerResponse } from 'node:http';
import { type Result, refuse } from '@/core/base/result';
import { MOST_BATCH_BYTES } from '@/core/sittings/unsent';
import { sessionIn } from '../auth/cookie';
import { actorOf } from '../auth/sessions';
import { outside } from '../outside';
import { type Saved, saveAnswers } from '../sittings/save-answers';
import { cookiesOf } from './cookies';
import { SECURE } from './headers';
import { fromOurPages } from './origin';
import { prove } from './proven';
import { statusOf } from './status';

/** Twice what a batch weighs at most: a single answer with all its form may be heavier than a batch. */
const MOST_BODY_BYTES = 2 * MOST_BATCH_BYTES;
const ROOM = /^\/api\/room\/([\w-]{1,40})$/;

/** Whether a request is a room that saves a batch of answers; an empty one only asks for the clock. */
export function isSave(request: IncomingMessage): boolean {
  return request.method === 'POST' && ROOM.test(request.url ?? '');
}

/** Takes what a room saves. Nearly all that an exam asks for is this, so it passes by the framework. */
export async function answerSave(request: IncomingMessage, response: ServerResponse): Promise<void> {
  const result = await save(request);
  response.writeHead(statusOf(result), {
    'Content-Type': 'application/json',
    'Cache-Control': 'no-store',
    'X-Content-Type-Options': 'nosniff',
  });
  response.end(JSON.stringify(result));
}

async function save(request: IncomingMessage): Promise<Result<Saved>> {
  if (!fromOurPages({ headers: { get: (name) => request.headers[name]?.toString() ?? null } }))
    return refuse('forbidden');
  const token = sessionIn(cookiesOf(request), request.headers[SECURE] === 'yes');
  const out = await outside();
  const actor = token ? await actorOf(out, token) : null;
  if (!token || !actor) return refuse('not-signed-in');
  prove(token, out.now);
  const batch = await readJson(request);
  const [, attempt] = ROOM.exec(request.url ?? '') ?? [];
  return saveAnswers({ ...out, actor }, { ...Object(batch), attempt });
}

/** The body as JSON; undefined when it is too long, or none. */
async function readJson(request: IncomingMessage): Promise<unknown> {
  if (Number(request.headers['content-length'] ?? 0) > MOST_BODY_BYTES) return undefined;
  const chunks: Buffer[] = [];
  let size = 0;
  // Whoever sends too much is still answered.
  for await (const chunk of request.iterator({ destroyOnReturn: false })) {
    size += (chunk as Buffer).length;
    if (size > MOST_BODY_BYTES) return undefined;
    chunks.push(chunk as Buffer);
  }
  try {
    return JSON.parse(Buffer.concat(chunks).toString());
  } catch {
    return undefined;
  }
}
