import { createHash, randomUUID } from 'node:crypto';
import { mkdir, readdir, readFile, rename, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { createLocalJWKSet, type JSONWebKeySet, jwtVerify } from 'jose';
import { z } from 'zod';
import type { Message, Reply } from './web';

/**
 * A learning platform with a gradebook, in place of one outside. It knows one tool, checks its assertions as a platform
 * does, and keeps line items and scores as files in a folder of its own. It is reached by nobody but this installation.
 */
export const STAND_IN = {
  name: 'Stand-in platform',
  home: 'https://platform.example/',
  tokenAddress: 'https://platform.example/token',
  clientId: 'zonda-here',
  under: 'https://platform.example/courses/',
  lineItems: (course: string): string => `https://platform.example/courses/${encodeURIComponent(course)}/line_items`,
} as const;

const SCOPE = 'https://purl.imsglobal.org/spec/lti-ags/scope/';
/** Access holds so long, in seconds. */
const HOLDS = 3600;

const itemSchema = z.object({
  label: z.string().min(1),
  scoreMaximum: z.number().positive(),
  resourceId: z.string().optional(),
});
const scoreSchema = z
  .object({
    userId: z.string().min(1).max(255),
    scoreGiven: z.number().min(0).optional(),
    scoreMaximum: z.number().positive().optional(),
    timestamp: z.iso.datetime(),
    activityProgress: z.enum(['Initialized', 'Started', 'InProgress', 'Submitted', 'Completed']),
    gradingProgress: z.enum(['FullyGraded', 'Pending', 'PendingManual', 'Failed', 'NotReady']),
  })
  .refine(({ scoreGiven, scoreMaximum }) => scoreGiven === undefined || scoreMaximum !== undefined);

type Item = z.infer<typeof itemSchema> & { id: string };
type Score = z.infer<typeof scoreSchema>;

const answer = (status: number, content?: unknown): Reply => ({
  status,
  headers: { 'content-type': 'application/json' },
  body: content === undefined ? '' : JSON.stringify(content),
});

/** Answers what is said to the stand-in platform; `keys` gives the public keys of the tool, as a platform reads them at their address. */
export function standInPlatform(
  folder: string,
  keys: () => Promise<{ keys: unknown[] }>,
  clock: () => number = Date.now,
): (message: Message) => Promise<Reply> {
  const store = folderStore(folder);

  const giveAccess = async ({ body = '' }: Message): Promise<Reply> => {
    const asked = new URLSearchParams(body);
    if (asked.get('grant_type') !== 'client_credentials') return answer(400, { error: 'unsupported_grant_type' });
    try {
      const known = createLocalJWKSet((await keys()) as JSONWebKeySet);
      const { payload } = await jwtVerify(asked.get('client_assertion') ?? '', known, {
        algorithms: ['RS256'],
        issuer: STAND_IN.clientId,
        subject: STAND_IN.clientId,
        audience: STAND_IN.tokenAddress,
        requiredClaims: ['jti', 'iat', 'exp'],
        currentDate: new Date(clock()),
      });
      // An assertion is good once.
      if (!(await store.make(`assertions/${named(payload.jti ?? '')}`, {})))
        return answer(400, { error: 'invalid_client' });
    } catch {
      return answer(400, { error: 'invalid_client' });
    }
    const token = randomUUID();
    const scope = (asked.get('scope') ?? '').split(' ').filter((one) => one.startsWith(SCOPE));
    await store.put(`access/${named(token)}`, { scope, until: clock() + HOLDS * 1000 });
    return answer(200, {
      access_token: token,
      token_type: 'Bearer',
      expires_in: HOLDS,
      scope: scope.join(' '),
    });
  };

  const may = async ({ headers }: Message, scope: string): Promise<boolean> => {
    const token = headers.authorization?.replace(/^Bearer /, '') ?? '';
    const access = (await store.get(`access/${named(token)}`)) as { scope: string[]; until: number } | null;
    return access !== null && access.until > clock() && access.scope.includes(SCOPE + scope);
  };

  const lineItems = async (course: string, message: Message): Promise<Reply> => {
    if (!(await may(message, 'lineitem'))) return answer(401);
    const all = (await store.list(`items/${course}`)) as Item[];
    if (message.method === 'GET') {
      const wanted = new URL(message.address).searchParams.get('resource_id');
      return answer(
        200,
        all.filter(({ resourceId }) => wanted === null || resourceId === wanted),
      );
    }
    const read = itemSchema.safeParse(JSON.parse(message.body ?? ''));
    if (!read.success) return answer(400);
    const id = randomUUID();
    const item: Item = { ...read.data, id: `${STAND_IN.under}${course}/line_items/${id}` };
    await store.put(`items/${course}/${id}`, item);
    return answer(201, item);
  };

  const lineItem = async (course: string, id: string, message: Message): Promise<Reply> => {
    if (!(await may(message, 'lineitem'))) return answer(401);
    const there = (await store.get(`items/${course}/${id}`)) as Item | null;
    if (!there) return answer(404);
    if (message.method !== 'PUT') return answer(200, there);
    const read = itemSchema.safeParse(JSON.parse(message.body ?? ''));
    if (!read.success) return answer(400);
    await store.put(`items/${course}/${id}`, { ...read.data, id: there.id });
    return answer(200, { ...read.data, id: there.id });
  };

  const scores = async (course: string, id: string, message: Message): Promise<Reply> => {
    if (!(await may(message, 'score'))) return answer(401);
    if (!(await store.get(`items/${course}/${id}`))) return answer(404);
    const read = scoreSchema.safeParse(JSON.parse(message.body ?? ''));
    if (!read.success) return answer(400);
    const place = `scores/${id}/${named(read.data.userId)}`;
    const before = (await store.get(place)) as Score | null;
    if (before && before.timestamp > read.data.timestamp) return answer(409);
    await store.put(place, read.data);
    return answer(204);
  };

  const results = async (course: string, id: string, message: Message): Promise<Reply> => {
    if (!(await may(message, 'result.readonly'))) return answer(401);
    const item = (await store.get(`items/${course}/${id}`)) as Item | null;
    if (!item) return answer(404);
    const told = (await store.list(`scores/${id}`)) as Score[];
    return answer(
      200,
      told.map(({ userId, scoreGiven, scoreMaximum }) => ({
        id: `${item.id}/results/${encodeURIComponent(userId)}`,
        scoreOf: item.id,
        userId,
        resultMaximum: item.scoreMaximum,
        ...(scoreGiven === undefined
          ? {}
          : { resultScore: (scoreGiven * item.scoreMaximum) / (scoreMaximum ?? item.scoreMaximum) }),
      })),
    );
  };

  return async (message) => {
    const url = new URL(message.address);
    if (url.href === STAND_IN.tokenAddress) return message.method === 'POST' ? giveAccess(message) : answer(405);
    const [courses, course, items, id, service, ...more] = url.pathname.slice(1).split('/');
    const known = [course, id].every((part) => part === undefined || /^[\w.%-]{1,80}$/.test(part));
    if (courses !== 'courses' || !course || items !== 'line_items' || !known || more.length > 0) return answer(404);
    try {
      if (id === undefined) return await lineItems(course, message);
      if (service === undefined) return await lineItem(course, id, message);
      if (service === 'scores' && message.method === 'POST') return await scores(course, id, message);
      if (service === 'results' && message.method === 'GET') return await results(course, id, message);
      return answer(404);
    } catch (error) {
      if (error instanceof SyntaxError) return answer(400);
      throw error;
    }
  };
}

/** A name for a file that says nothing of what it stands for. */
const named = (text: string): string => createHash('sha256').update(text).digest('hex').slice(0, 32);

/** Values as JSON files, each there wholly or not at all. */
function folderStore(folder: string) {
  const file = (name: string): string => path.join(folder, `${name}.json`);
  const read = async (at: string): Promise<unknown> => {
    const text = await readFile(at, 'utf8').catch(() => null);
    return text === null ? null : JSON.parse(text);
  };
  return {
    get: (name: string): Promise<unknown> => read(file(name)),
    async put(name: string, value: unknown): Promise<void> {
      await mkdir(path.dirname(file(name)), { recursive: true });
      const draft = `${file(name)}.${randomUUID()}`;
      await writeFile(draft, JSON.stringify(value));
      await rename(draft, file(name));
    },
    /** False where it is there already. */
    async make(name: string, value: unknown): Promise<boolean> {
      await mkdir(path.dirname(file(name)), { recursive: true });
      return writeFile(file(name), JSON.stringify(value), { flag: 'wx' }).then(
        () => true,
        () => false,
      );
    },
    async list(name: string): Promise<unknown[]> {
      const names = await readdir(path.join(folder, name)).catch(() => []);
      return Promise.all(names.filter((one) => one.endsWith('.json')).map((one) => read(path.join(folder, name, one))));
    },
  };
}
