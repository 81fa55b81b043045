import { refuse } from '@/core/base/result';
import { may } from '@/core/people/may';
import { maybeContext, type RequestContext } from '@/server/auth/request';
import { fromOurPages } from '@/server/door/origin';
import { readBody } from './read-body';
import { respond } from './respond';

/** Answers somebody who is signed in. */
export async function forSignedIn(work: (ctx: RequestContext) => Promise<Response>): Promise<Response> {
  const ctx = await maybeContext();
  return ctx ? work(ctx) : respond(refuse('not-signed-in'));
}

/** As `forSignedIn`, for what writes: only from our own pages. */
export async function forWriting(
  request: Request,
  work: (ctx: RequestContext) => Promise<Response>,
): Promise<Response> {
  return fromOurPages(request) ? forSignedIn(work) : respond(refuse('forbidden'));
}

/** As `forWriting`, for those who build exams; nothing is read of anybody else. */
export async function forBuilding(
  request: Request,
  work: (ctx: RequestContext) => Promise<Response>,
): Promise<Response> {
  return forWriting(request, async (ctx) =>
    may(ctx.actor, 'build exams', null) ? work(ctx) : respond(refuse('forbidden')),
  );
}

/** The body of a request as JSON, up to so many bytes; undefined when it is more, or none. */
export async function readJson(request: Request, most: number): Promise<unknown> {
  const bytes = await readBody(request, most);
  try {
    return bytes ? JSON.parse(new TextDecoder().decode(bytes)) : undefined;
  } catch {
    return undefined;
  }
}
