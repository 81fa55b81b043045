import { z } from 'zod';
import type { OutsideScore } from '@/core/gradebook/outside';
import { liesUnder } from '@/core/base/under';
import { ok, type Result, refuse } from '@/core/base/result';
import type { Outside } from '../context';
import type { platforms } from '../db/schema/platforms';
import { newId } from '../ports/ids';
import type { Message, Reply } from '../ports/web';
import { signed } from './keys';

/**
 * The services of a platform that are used: access by a signed assertion (1EdTech Security Framework 1.0, section 4.1;
 * RFC 7523), line items, scores and results (1EdTech Assignment and Grade Services 2.0). From memory of these documents.
 */
export type Platform = typeof platforms.$inferSelect;

const SCOPE = 'https://purl.imsglobal.org/spec/lti-ags/scope/';
const SCOPES = ['lineitem', 'score', 'result.readonly'].map((name) => SCOPE + name).join(' ');
const ASSERTION = 'urn:ietf:params:oauth:client-assertion-type:jwt-bearer';
const TYPES = {
  lineItem: 'application/vnd.ims.lis.v2.lineitem+json',
  lineItems: 'application/vnd.ims.lis.v2.lineitemcontainer+json',
  score: 'application/vnd.ims.lis.v1.score+json',
  results: 'application/vnd.ims.lis.v2.resultcontainer+json',
} as const;

/** So many pages of a list are read. */
const MOST_PAGES = 50;
/** Access is given up so long before it ends, in milliseconds. */
const BEFORE_ITS_END = 30_000;

type Services = Pick<Outside, 'db' | 'web' | 'now'>;

const refusedBy = (status: number) => refuse('platform-refused', { values: { status } });
const UNREAD = refuse('platform-unread');

/** What the way to a platform says, in words for platforms. */
const ON_THE_WAY: Record<string, Result<never>> = {
  'web-address': refuse('platform-address'),
  'web-inside': refuse('platform-inside'),
  'web-unreachable': refuse('platform-silent'),
  'web-too-large': UNREAD,
};

async function ask({ web }: Services, message: Message): Promise<Result<Reply>> {
  const reply = await web.send(message);
  return reply.ok ? reply : (ON_THE_WAY[reply.refusal.code] ?? reply);
}

/** The body of a good answer as what it should be. */
function readReply<T>(reply: Result<Reply>, schema: z.ZodType<T>): Result<T> {
  if (!reply.ok) return reply;
  const { status, body } = reply.value;
  if (status < 200 || status > 299) return refusedBy(status);
  try {
    const parsed = schema.safeParse(JSON.parse(body));
    return parsed.success ? ok(parsed.data) : UNREAD;
  } catch {
    return UNREAD;
  }
}

const accessSchema = z.object({ access_token: z.string().min(1).max(20_000), expires_in: z.coerce.number().catch(60) });
/** Access that was given, by what it was asked with, until it ends. */
const given = new Map<string, { token: string; until: number }>();
const asked = ({ tokenAddress, clientId, audience }: Platform): string =>
  JSON.stringify([tokenAddress, clientId, audience]);

/** Asks for access anew; refused where the platform does not know us, or does not answer as agreed. */
export async function askForAccess(services: Services, platform: Platform): Promise<Result<string>> {
  const { db, now } = services;
  const claims = { issuer: platform.clientId, audience: platform.audience ?? platform.tokenAddress, id: newId() };
  const reply = await ask(services, {
    method: 'POST',
    address: platform.tokenAddress,
    headers: { 'content-type': 'application/x-www-form-urlencoded', accept: 'application/json' },
    body: new URLSearchParams({
      grant_type: 'client_credentials',
      client_assertion_type: ASSERTION,
      client_assertion: await signed(db, claims, now),
      scope: SCOPES,
    }).toString(),
  });
  const access = readReply(reply, accessSchema);
  if (!access.ok) {
    given.delete(asked(platform));
    // What stands for a platform that is reached but lets us not in.
    const { code, values } = access.refusal;
    return code === 'platform-refused' ? refuse('platform-no-access', values ? { values } : {}) : access;
  }
  const { access_token: token, expires_in } = access.value;
  given.set(asked(platform), { token, until: now + expires_in * 1000 - BEFORE_ITS_END });
  return ok(token);
}

interface Said {
  method: 'GET' | 'POST' | 'PUT';
  address: string;
  accept: string;
  body?: { type: string; content: unknown };
}

/** Says something with access; once more with fresh access where the one we had is not taken. Nothing is said beside the platform's own addresses. */
async function say(services: Services, platform: Platform, said: Said): Promise<Result<Reply>> {
  if (!liesUnder(said.address, platform.under)) return refuse('platform-elsewhere');
  const { method, address, accept, body } = said;
  const once = (token: string) =>
    ask(services, {
      method,
      address,
      headers: { authorization: `Bearer ${token}`, accept, ...(body ? { 'content-type': body.type } : {}) },
      ...(body ? { body: JSON.stringify(body.content) } : {}),
    });
  const kept = given.get(asked(platform));
  if (kept && kept.until > services.now) {
    const reply = await once(kept.token);
    if (!reply.ok || reply.value.status !== 401) return reply;
  }
  const access = await askForAccess(services, platform);
  return access.ok ? once(access.value) : access;
}

/** A line item as a platform tells it. */
const lineItemSchema = z.object({ id: z.url(), resourceId: z.string().nullish() });
/** What we say of one. */
export interface LineItem {
  label: string;
  scoreMaximum: number;
  /** Our own name for it, by which it is found again. */
  resourceId: string;
}

/** What a list of several pages has, page by page as `Link: …; rel="next"` says (RFC 8288). */
async function readPages<T>(
  services: Services,
  platform: Platform,
  first: string,
  { accept, item }: { accept: string; item: z.ZodType<T> },
): Promise<Result<T[]>> {
  const found: T[] = [];
  let next: string | null = first;
  for (let page = 0; page < MOST_PAGES && next !== null; page++) {
    const reply: Result<Reply> = await say(services, platform, { method: 'GET', address: next, accept });
    const read = readReply(reply, z.array(item));
    if (!read.ok) return read;
    found.push(...read.value);
    next = reply.ok ? nextPage(reply.value.headers.link) : null;
  }
  return ok(found);
}

/** Where the next page is, from a heading of several links; they are taken apart without going back over them. */
function nextPage(link: string | undefined): string | null {
  for (const part of (link ?? '').split('<').slice(1)) {
    const [address = '', ...rest] = part.split('>');
    if (/;\s*rel="?next"?/i.test(rest.join('>').split(',')[0] ?? '')) return address;
  }
  return null;
}

const withQuery = (address: string, query: Record<string, string>): string => {
  const url = new URL(address);
  for (const [name, value] of Object.entries(query)) url.searchParams.set(name, value);
  return url.href;
};
/** A service of a line item stands behind its path, before its query. */
const ofLineItem = (lineItem: string, service: 'scores' | 'results'): string => {
  const url = new URL(lineItem);
  url.pathname = `${url.pathname.replace(/\/$/, '')}/${service}`;
  return url.href;
};

/** The address of the line item of this name, which is made where there is none. */
export async function placeLineItem(
  services: Services,
  platform: Platform,
  lineItems: string,
  item: LineItem,
): Promise<Result<string>> {
  const there = await readPages(services, platform, withQuery(lineItems, { resource_id: item.resourceId }), {
    accept: TYPES.lineItems,
    item: lineItemSchema,
  });
  if (!there.ok) return there;
  const same = there.value.find(({ resourceId }) => resourceId === item.resourceId);
  if (same) {
    const changed = await changeLineItem(services, platform, same.id, item);
    return changed.ok ? ok(same.id) : changed;
  }
  const made = readReply(
    await say(services, platform, {
      method: 'POST',
      address: lineItems,
      accept: TYPES.lineItem,
      body: { type: TYPES.lineItem, content: item },
    }),
    lineItemSchema,
  );
  return made.ok ? ok(made.value.id) : made;
}

/** Says another label or maximum of a line item that is there. */
export async function changeLineItem(
  services: Services,
  platform: Platform,
  address: string,
  item: LineItem,
): Promise<Result<null>> {
  const reply = await say(services, platform, {
    method: 'PUT',
    address,
    accept: TYPES.lineItem,
    body: { type: TYPES.lineItem, content: item },
  });
  return taken(reply);
}

/** Tells the score of one person. Of two the platform keeps that with the later time. */
export async function tellScore(
  services: Services,
  platform: Platform,
  { lineItem, userId, score, at }: { lineItem: string; userId: string; score: OutsideScore; at: number },
): Promise<Result<null>> {
  const reply = await say(services, platform, {
    method: 'POST',
    address: ofLineItem(lineItem, 'scores'),
    accept: 'application/json',
    body: { type: TYPES.score, content: { ...score, userId, timestamp: new Date(at).toISOString() } },
  });
  return taken(reply);
}

const taken = (reply: Result<Reply>): Result<null> => {
  if (!reply.ok) return reply;
  const { status } = reply.value;
  return status >= 200 && status <= 299 ? ok() : refusedBy(status);
};

const resultSchema = z.object({
  userId: z.string(),
  resultScore: z.number().nullish(),
  resultMaximum: z.number().nullish(),
});
/** What stands in a line item for a person, in the measure of the platform. */
export type OutsideResult = z.infer<typeof resultSchema>;

/** What stands in a line item now. */
export function readResults(
  services: Services,
  platform: Platform,
  lineItem: string,
): Promise<Result<OutsideResult[]>> {
  return readPages(services, platform, ofLineItem(lineItem, 'results'), { accept: TYPES.results, item: resultSchema });
}
