import { createPublicKey, verify } from 'node:crypto';
import { once } from 'node:events';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { must, ok } from '@/core/base/result';
import { FINAL, NEW_BOOK } from '@/core/gradebook/book';
import type { Context } from '@/server/context';
import { putCells } from '@/server/gradebook/entries';
import { openGradebook } from '@/server/gradebook/gradebook';
import { saveBook } from '@/server/gradebook/settings';
import { compareOutside } from '@/server/platforms/compare';
import { connectOutsideBook, disconnectOutsideBook } from '@/server/platforms/connect';
import { publicKeys } from '@/server/platforms/keys';
import { type OutsideColumn, openOutsideBook } from '@/server/platforms/outside-book';
import { nameOutside } from '@/server/platforms/outside-people';
import { dropPlatform, keepPlatform, listPlatforms, tryPlatform } from '@/server/platforms/platforms';
import { sendScores } from '@/server/platforms/send';
import { tellOutside } from '@/server/platforms/tell';
import { STAND_IN } from '@/server/ports/platform-stand-in';
import { type Message, openWeb, type Reply } from '@/server/ports/web';
import { TestDepartment } from '../drivers/department';
import { freshColumn } from '../fixtures/book-column';

let dept: TestDepartment;
/** What was said to the platform, in order. */
let said: { message: Message; reply: Reply }[];
/** What the platform answers instead, where something is to go wrong. */
let instead: (message: Message) => Reply | null;

beforeEach(async () => {
  dept = await TestDepartment.open();
  said = [];
  instead = () => null;
});
afterEach(() => dept.close());

/** Somebody, with an ear at the way to the platform. */
function as(who: string): Context {
  const ctx = dept.as(who);
  const send: typeof ctx.web.send = async (message) => {
    const reply = instead(message) ?? must(await ctx.web.send(message));
    said.push({ message, reply });
    return ok(reply);
  };
  return { ...ctx, web: { ...ctx.web, send } };
}

const register = async (more: object = {}): Promise<string> => {
  const { name, tokenAddress, clientId, under } = STAND_IN;
  const input = { id: null, name, tokenAddress, clientId, audience: null, under, ...more };
  return must(await keepPlatform(dept.as('lead'), input)).id;
};
const LINE_ITEMS = STAND_IN.lineItems('WT-1');

const put = async (who: string, column: string, marks: string | null): Promise<void> => {
  const { rows, columns } = must(await openGradebook(dept.as('teacher'), dept.course));
  const at = columns.findIndex((one) => one.column.id === column);
  const base = rows.find(({ member }) => member === dept.id(who))?.cells[at]?.last ?? 0;
  const entry = marks === null ? null : { is: 'marks', marks };
  const changes = [{ column, member: dept.id(who), entry, base }];
  must(await putCells(dept.as('teacher'), { course: dept.course, changes, reason: '' }));
};

/** A course with a talk of 10 and a poster of 5, connected; Ada and Ben are known on the platform. */
async function connected(): Promise<string> {
  const platform = await register();
  const book = { ...NEW_BOOK, columns: [freshColumn('talk'), freshColumn('poster')] };
  must(await saveBook(dept.as('teacher'), { course: dept.course, base: 0, book }));
  await put('ada', 'talk', '8');
  await put('ben', 'talk', '5');
  await put('cleo', 'talk', '9');
  await put('ada', 'poster', '10');
  const columns = ['talk', 'poster', FINAL];
  must(await connectOutsideBook(dept.as('teacher'), { course: dept.course, platform, lineItems: LINE_ITEMS, columns }));
  const ids = [
    { member: dept.id('ada'), outsideId: '5323497' },
    { member: dept.id('ben'), outsideId: 'x-17' },
  ];
  must(await nameOutside(dept.as('teacher'), { course: dept.course, ids }));
  return platform;
}
const tell = async (again: { column: string; member: string }[] = []): Promise<number> =>
  must(await tellOutside(as('teacher'), { course: dept.course, again })).scores;
const compare = async () => must(await compareOutside(as('teacher'), dept.course));
const column = async (id: string): Promise<OutsideColumn | undefined> =>
  must(await openOutsideBook(dept.as('teacher'), dept.course)).columns.find((one) => one.id === id);
/** What was said to an address that ends so. */
const toThe = (end: RegExp) => said.filter(({ message }) => end.test(message.address));

describe('scores of a course', () => {
  it('arrive at the outside gradebook, of those who are known there, once', async () => {
    await connected();
    // Talk and final grade of Ada and Ben, the poster of Ada.
    expect(await tell()).toBe(5);
    expect(await column('talk')).toMatchObject({ waiting: 2, arrived: 0, news: 0 });
    expect(await sendScores(as('lead'))).toEqual({ sent: 5, failed: 0 });
    expect(await column('talk')).toMatchObject({ waiting: 0, arrived: 2, news: 0, failed: 0 });
    // Nobody has told of Cleo, and Ben has no poster.
    expect(await compare()).toEqual({ same: 6, differences: [] });
    expect(await tell()).toBe(0);
    expect(await sendScores(as('lead'))).toEqual({ sent: 0, failed: 0 });
    const scores = toThe(/scores$/).map(({ message }) => JSON.parse(message.body ?? '') as { scoreGiven: number });
    expect(scores.find(({ scoreGiven }) => scoreGiven === 8)).toEqual({
      userId: '5323497',
      scoreGiven: 8,
      scoreMaximum: 10,
      activityProgress: 'Completed',
      gradingProgress: 'FullyGraded',
      timestamp: new Date(dept.now).toISOString(),
    });
    expect(said.filter(({ message }) => message.address === STAND_IN.tokenAddress)).toHaveLength(1);
  });

  it('are told anew when they change, and taken away when they are gone', async () => {
    await connected();
    await tell();
    await sendScores(as('lead'));
    dept.pass(1);
    await put('ada', 'talk', '9.5');
    await put('ada', 'poster', null);
    expect((await compare()).differences).toMatchObject([
      { name: 'ada', column: 'talk', here: { given: 9.5, of: 10 }, there: { given: 8, of: 10 } },
      { name: 'ada', column: 'poster', here: null, there: { given: 10, of: 10 } },
      { name: 'ada', column: FINAL },
    ]);
    expect(await tell()).toBe(3);
    await sendScores(as('lead'));
    expect(await compare()).toEqual({ same: 6, differences: [] });
  });

  it('that change while they are on the way are told anew', async () => {
    await connected();
    await tell();
    instead = () => null;
    let once = true;
    const ctx = as('lead');
    const slow: Context = {
      ...ctx,
      web: {
        ...ctx.web,
        send: async (message) => {
          if (once && /scores$/.test(message.address)) {
            once = false;
            await put('ada', 'talk', '3');
            await tell();
          }
          return ctx.web.send(message);
        },
      },
    };
    await sendScores(slow);
    expect(await column('talk')).toMatchObject({ waiting: 1 });
    dept.pass(1);
    await sendScores(as('lead'));
    expect(await compare()).toEqual({ same: 6, differences: [] });
  });

  it('of columns that are not released, and of who left the course, are nobody’s outside', async () => {
    const platform = await register();
    const { sitting } = await dept.sitting(1);
    await dept.sit('ada', sitting, { item0: {} });
    const columns = [`s-${sitting}`];
    must(
      await connectOutsideBook(dept.as('teacher'), { course: dept.course, platform, lineItems: LINE_ITEMS, columns }),
    );
    must(
      await nameOutside(dept.as('teacher'), { course: dept.course, ids: [{ member: dept.id('ada'), outsideId: '1' }] }),
    );
    expect(await column(`s-${sitting}`)).toMatchObject({ released: false, told: true, news: 0 });
    expect(await tell()).toBe(0);
  });

  it('of a column that is left off are not sent any more, though they waited', async () => {
    const platform = await connected();
    await tell();
    const connect = (columns: string[]) =>
      connectOutsideBook(dept.as('teacher'), { course: dept.course, platform, lineItems: LINE_ITEMS, columns });
    must(await connect(['poster']));
    expect(await sendScores(as('lead'))).toEqual({ sent: 1, failed: 0 });
    must(await connect(['talk', 'poster']));
    expect(await tell()).toBe(2);
    must(await connect([]));
    expect(await sendScores(as('lead'))).toEqual({ sent: 0, failed: 0 });
  });

  it('go to one line item for each column, whoever asks and however often it was forgotten', async () => {
    const platform = await connected();
    await tell();
    // Two processes at the same time.
    const both = await Promise.all([sendScores(as('lead')), sendScores(as('lead'))]);
    expect(both.reduce((all, { sent }) => all + sent, 0)).toBe(5);
    expect(toThe(/scores$/)).toHaveLength(5);
    must(await disconnectOutsideBook(dept.as('teacher'), dept.course));
    const columns = ['talk'];
    must(
      await connectOutsideBook(dept.as('teacher'), { course: dept.course, platform, lineItems: LINE_ITEMS, columns }),
    );
    dept.pass(1);
    expect(await tell()).toBe(2);
    await sendScores(as('lead'));
    expect(toThe(/line_items$/).filter(({ message }) => message.method === 'POST')).toHaveLength(3);
  });

  it('follow a column that is called otherwise, or is of other marks', async () => {
    await connected();
    await tell();
    await sendScores(as('lead'));
    const { book, version } = must(await openGradebook(dept.as('teacher'), dept.course));
    const [talk, ...others] = book.columns;
    const columns = [freshColumn('talk', { ...talk, from: { is: 'hand', title: 'Long talk', of: '20' } }), ...others];
    must(await saveBook(dept.as('teacher'), { course: dept.course, base: version, book: { ...book, columns } }));
    dept.pass(1);
    await tell();
    await sendScores(as('lead'));
    const put = said.filter(({ message }) => message.method === 'PUT');
    expect(put.map(({ message }) => JSON.parse(message.body ?? ''))).toEqual([
      { label: 'Long talk', scoreMaximum: 20, resourceId: 'talk' },
    ]);
    expect((await compare()).differences).toEqual([]);
  });
});

describe('what goes wrong on the way', () => {
  const status = (number: number): Reply => ({ status: number, headers: {}, body: '' });

  it('is tried again later and later, and given up after the sixth time; then it can be sent anew', async () => {
    await connected();
    await tell();
    instead = ({ address }) => (/scores$/.test(address) ? status(503) : null);
    for (const [i, minutes] of [0, 1, 2, 4, 8, 16].entries()) {
      dept.pass(minutes);
      expect((await sendScores(as('lead'))).failed, `try ${i + 1}`).toBe(5);
      expect((await sendScores(as('lead'))).failed).toBe(0);
    }
    const { troubles } = must(await openOutsideBook(dept.as('teacher'), dept.course));
    expect(troubles).toEqual([{ code: 'platform-refused', status: 503, count: 5, failed: true }]);
    expect(await column('talk')).toMatchObject({ failed: 2, waiting: 0, news: 2 });
    instead = () => null;
    expect(await tell()).toBe(5);
    expect(await sendScores(as('lead'))).toEqual({ sent: 5, failed: 0 });
    expect(must(await openOutsideBook(dept.as('teacher'), dept.course)).troubles).toEqual([]);
  });

  it('is tried at once when somebody asks for it, and not only minutes later', async () => {
    await connected();
    await tell();
    instead = ({ address }) => (/scores$/.test(address) ? status(503) : null);
    await sendScores(as('lead'));
    instead = () => null;
    expect(await sendScores(as('lead'))).toEqual({ sent: 0, failed: 0 });
    expect(await tell()).toBe(0);
    expect(await sendScores(as('lead'))).toEqual({ sent: 5, failed: 0 });
  });

  it('is asked once where nobody is let in, however many scores and columns wait', async () => {
    await connected();
    await tell();
    instead = () => status(401);
    expect(await sendScores(as('lead'))).toEqual({ sent: 0, failed: 5 });
    expect(said.filter(({ message }) => message.address === STAND_IN.tokenAddress)).toHaveLength(1);
    expect(said.length).toBeLessThanOrEqual(2);
    const { troubles } = must(await openOutsideBook(dept.as('teacher'), dept.course));
    expect(troubles).toEqual([{ code: 'platform-no-access', status: 401, count: 5, failed: false }]);
  });

  it('asks for access anew where it has ended, once', async () => {
    must(await tryPlatform(as('lead'), await connected()));
    await tell();
    let ended = true;
    instead = ({ address }) => {
      if (!/resource_id/.test(address) || !ended) return null;
      ended = false;
      return status(401);
    };
    expect(await sendScores(as('lead'))).toEqual({ sent: 5, failed: 0 });
  });

  it('makes a line item again that somebody has taken out there', async () => {
    await connected();
    await tell();
    await sendScores(as('lead'));
    await put('ada', 'talk', '1');
    await tell();
    dept.pass(1);
    instead = ({ address }) => (/scores$/.test(address) ? status(404) : null);
    await sendScores(as('lead'));
    instead = () => null;
    dept.pass(1);
    said = [];
    await sendScores(as('lead'));
    expect(toThe(/resource_id=talk/)).toHaveLength(1);
    expect((await compare()).differences).toEqual([]);
  });

  it('sends nothing where the platform names a place beside its own, and reads no nonsense', async () => {
    await connected();
    await tell();
    const elsewhere = JSON.stringify([{ id: 'https://elsewhere.example/line_items/1', resourceId: 'talk' }]);
    instead = ({ address }) => (/resource_id/.test(address) ? { status: 200, headers: {}, body: elsewhere } : null);
    await sendScores(as('lead'));
    expect(said.some(({ message }) => message.address.includes('elsewhere'))).toBe(false);
    instead = ({ address }) =>
      /resource_id/.test(address) ? { status: 200, headers: {}, body: '<html>'.repeat(1000) } : null;
    dept.pass(1);
    await sendScores(as('lead'));
    const { troubles } = must(await openOutsideBook(dept.as('teacher'), dept.course));
    expect(troubles.map(({ code }) => code).toSorted()).toEqual(['platform-unread']);
  });

  it('reads lists page by page, and ends with one that has no end', async () => {
    await connected();
    await tell();
    await sendScores(as('lead'));
    said = [];
    instead = ({ address }) =>
      /results/.test(address)
        ? {
            status: 200,
            headers: { link: `<${address}>; rel="first", <${STAND_IN.under}WT-1/results?more>; rel="next"` },
            body: '[]',
          }
        : null;
    await compare();
    expect(toThe(/results/).length).toBeLessThanOrEqual(150);
    expect(toThe(/results\?more$/).length).toBeGreaterThan(0);
  });
});

it('speaks over the network with a platform that lies inside, where the installation names its host', async () => {
  // The stand-in behind a server of its own: what it says of itself is put into the server's address.
  const server = createServer((request, response) => {
    void (async () => {
      const chunks: Buffer[] = [];
      for await (const chunk of request as AsyncIterable<Buffer>) chunks.push(chunk);
      const reply = must(
        await dept.out.web.send({
          method: request.method as Message['method'],
          address: `${STAND_IN.home}${request.url?.slice(1)}`,
          headers: { authorization: request.headers.authorization ?? '' },
          body: Buffer.concat(chunks).toString(),
        }),
      );
      response.writeHead(reply.status, { 'content-type': 'application/json' });
      response.end(reply.body.replaceAll(STAND_IN.home, home));
    })();
  }).listen(0, '127.0.0.1');
  await once(server, 'listening');
  const host = `127.0.0.1:${(server.address() as AddressInfo).port}`;
  const home = `http://${host}/`;
  await connected();
  const at = (address: string): string => address.replace(STAND_IN.home, home);
  const platform = await register({
    name: 'Inside',
    tokenAddress: at(STAND_IN.tokenAddress),
    under: at(STAND_IN.under),
    audience: STAND_IN.tokenAddress,
  });
  const columns = ['talk', FINAL];
  const lineItems = at(LINE_ITEMS);
  must(await connectOutsideBook(dept.as('teacher'), { course: dept.course, platform, lineItems, columns }));
  const ids = [{ member: dept.id('ada'), outsideId: 'ada there' }];
  must(await nameOutside(dept.as('teacher'), { course: dept.course, ids }));
  const inside = (known: string[]): Context => ({ ...dept.as('lead'), web: openWeb(new Set(known)) });
  expect(await tryPlatform(inside([]), platform)).toMatchObject({ refusal: { code: 'platform-address' } });
  must(await tryPlatform(inside([host]), platform));
  expect(await tell()).toBe(2);
  expect(await sendScores(inside([host]))).toEqual({ sent: 2, failed: 0 });
  expect(must(await compareOutside(inside([host]), dept.course))).toEqual({ same: 2, differences: [] });
  server.close();
  server.closeAllConnections();
  expect(await compareOutside(inside([host]), dept.course)).toMatchObject({ refusal: { code: 'platform-silent' } });
});

/** RFC 7523, section 3; 1EdTech Security Framework 1.0, section 4.1.1 (from memory). */
it('shows who it is by an assertion that anybody can check with the public keys, good once', async () => {
  const platform = await register();
  const ctx = as('lead');
  must(await tryPlatform(ctx, platform));
  const [first] = said;
  const asked = new URLSearchParams(first?.message.body ?? '');
  expect(asked.get('grant_type')).toBe('client_credentials');
  const [head = '', payload = '', signature = ''] = (asked.get('client_assertion') ?? '').split('.');
  const read = (part: string) => JSON.parse(Buffer.from(part, 'base64url').toString()) as Record<string, unknown>;
  const { keys } = await publicKeys(dept.out.db, dept.now);
  expect(keys).toHaveLength(1);
  // Nothing of a private key (RFC 7518, section 6.3.2) leaves the installation.
  expect(Object.keys(keys[0] ?? {}).toSorted()).toEqual(['alg', 'e', 'kid', 'kty', 'n', 'use']);
  expect(read(head)).toMatchObject({ alg: 'RS256', kid: keys[0]?.kid });
  const key = createPublicKey({ key: keys[0] as never, format: 'jwk' });
  expect(verify('RSA-SHA256', Buffer.from(`${head}.${payload}`), key, Buffer.from(signature, 'base64url'))).toBe(true);
  const now = Math.floor(dept.now / 1000);
  expect(read(payload)).toEqual({
    iss: STAND_IN.clientId,
    sub: STAND_IN.clientId,
    aud: STAND_IN.tokenAddress,
    iat: now,
    exp: now + 300,
    jti: expect.any(String),
  });
  // The platform takes the same assertion no second time, and none that is late or for somebody else.
  const again = await ctx.web.send(first?.message ?? ({} as Message));
  expect(must(again).status).toBe(400);
  dept.pass(10);
  const other = await register({ name: 'Another', clientId: 'somebody-else' });
  expect(await tryPlatform(as('lead'), other)).toMatchObject({ ok: false, refusal: { code: 'platform-no-access' } });
});

describe('who may do what', () => {
  it('platforms are the lead’s to keep', async () => {
    const platform = await connected();
    for (const who of ['teacher', 'marker', 'stranger', 'ada']) {
      expect(await keepPlatform(dept.as(who), {})).toMatchObject({ refusal: { code: 'forbidden' } });
      expect(await tryPlatform(dept.as(who), platform)).toMatchObject({ refusal: { code: 'forbidden' } });
      expect(await dropPlatform(dept.as(who), platform)).toMatchObject({ refusal: { code: 'forbidden' } });
      expect(await listPlatforms(dept.as(who))).toBeNull();
    }
    expect(await dropPlatform(dept.as('lead'), platform)).toMatchObject({ refusal: { code: 'platform-in-use' } });
    must(await disconnectOutsideBook(dept.as('teacher'), dept.course));
    must(await dropPlatform(dept.as('lead'), platform));
  });

  it('a course is connected and told by whoever keeps its gradebook', async () => {
    const platform = await connected();
    const { course } = dept;
    for (const who of ['marker', 'stranger', 'outsider', 'ada'])
      for (const refused of [
        openOutsideBook(dept.as(who), course),
        connectOutsideBook(dept.as(who), { course, platform, lineItems: LINE_ITEMS, columns: [] }),
        disconnectOutsideBook(dept.as(who), course),
        nameOutside(dept.as(who), { course, ids: [] }),
        tellOutside(dept.as(who), { course, again: [] }),
        compareOutside(dept.as(who), course),
      ])
        expect(await refused).toMatchObject({ ok: false, refusal: { code: 'forbidden' } });
  });

  it('what is told of a course reaches only addresses that lie under its platform’s', async () => {
    const platform = await register();
    for (const lineItems of ['https://elsewhere.example/line_items', 'nonsense', `${STAND_IN.under}../token`]) {
      const refused = await connectOutsideBook(dept.as('teacher'), {
        course: dept.course,
        platform,
        lineItems,
        columns: [],
      });
      expect(refused).toMatchObject({ ok: false, refusal: { at: ['lineItems'] } });
    }
    await connected().catch(() => undefined);
    const moved = { id: platform, name: 'Moved', clientId: 'x', audience: '', tokenAddress: STAND_IN.tokenAddress };
    const books = must(await openOutsideBook(dept.as('teacher'), dept.course));
    expect(books.connected).toBeNull();
    must(
      await connectOutsideBook(dept.as('teacher'), {
        course: dept.course,
        platform,
        lineItems: LINE_ITEMS,
        columns: [],
      }),
    );
    expect(await keepPlatform(dept.as('lead'), { ...moved, under: 'https://moved.example/' })).toMatchObject({
      refusal: { code: 'platform-used-elsewhere', at: ['under'] },
    });
  });

  it('an id is one student’s; another id is told everything anew', async () => {
    await connected();
    await tell();
    await sendScores(as('lead'));
    const { course } = dept;
    const named = (who: string, outsideId: string) =>
      nameOutside(dept.as('teacher'), { course, ids: [{ member: dept.id(who), outsideId }] });
    expect(await named('cleo', 'x-17')).toMatchObject({ refusal: { code: 'outside-id-taken', at: ['ids', 0] } });
    expect(
      await nameOutside(dept.as('teacher'), { course, ids: [{ member: dept.id('lead'), outsideId: '1' }] }),
    ).toMatchObject({
      refusal: { code: 'not-found' },
    });
    // Two change about in one go.
    const ids = [
      { member: dept.id('ada'), outsideId: 'x-17' },
      { member: dept.id('ben'), outsideId: '5323497' },
    ];
    must(await nameOutside(dept.as('teacher'), { course, ids }));
    dept.pass(1);
    expect(await tell()).toBe(5);
    await sendScores(as('lead'));
    // What stood under the id before is seen there, and goes when what is here is sent.
    const { differences } = await compare();
    expect(differences.map(({ name, column: id }) => `${name} ${id}`)).toEqual(['ben poster']);
    dept.pass(1);
    expect(await tell(differences)).toBe(1);
    await sendScores(as('lead'));
    expect(await compare()).toEqual({ same: 6, differences: [] });
  });
});
