import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { createClient } from '@libsql/client';
import { drizzle } from 'drizzle-orm/libsql';
import { migrate } from 'drizzle-orm/libsql/migrator';
import { afterEach, beforeEach, expect, it } from 'vitest';
import { openDatabase } from '@/server/db/database';
import { keptSearches, mediaKeepers, mediaUses, questions } from '@/server/db/schema/bank';
import { attempts } from '@/server/db/schema/attempts';
import { extensions, participants, sittings } from '@/server/db/schema/exams';
import { courseStaff } from '@/server/db/schema/people';
import { remarksOf } from '@/server/marking/remarks';
import { entitledIn } from '@/server/people/provisions';
import { currentAnswers, findAttempt } from '@/server/sittings/attempts';
import { heldFiles } from '@/server/sittings/handed-files';

const MIGRATIONS = path.resolve(import.meta.dirname, '../../src/server/db/migrations');
let folder: string;
beforeEach(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'zonda-old-'));
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

/** A database as it was before a migration, by its name. */
async function databaseBefore(tag: string): Promise<ReturnType<typeof createClient>> {
  const old = path.join(folder, 'migrations');
  cpSync(MIGRATIONS, old, { recursive: true });
  const file = path.join(old, 'meta/_journal.json');
  const journal = JSON.parse(readFileSync(file, 'utf8')) as { entries: { tag: string }[] };
  const at = journal.entries.findIndex((entry) => entry.tag === tag);
  expect(at).toBeGreaterThan(0);
  writeFileSync(file, JSON.stringify({ ...journal, entries: journal.entries.slice(0, at) }));
  const client = createClient({ url: `file:${path.join(folder, 'zonda.db')}` });
  await migrate(drizzle(client), { migrationsFolder: old });
  return client;
}

it('answers that were kept as a log alone stand as present answers, those written last', async () => {
  const client = await databaseBefore('0012_answers_now');
  await client.execute('PRAGMA foreign_keys = OFF');
  const put = (seq: number, device: string, slot: string | null, value: unknown, at: number) =>
    client.execute({
      sql: 'INSERT INTO answers (attempt, device, seq, item, slot, value, written_at, received_at) VALUES (?, ?, ?, ?, ?, ?, ?, ?)',
      args: ['ada', device, seq, 'q1', slot, JSON.stringify(value), at, at],
    });
  await put(1, 'laptop', 'a', { text: 'first' }, 10);
  await put(1, 'phone', 'a', { text: 'written last' }, 30);
  // Arrived later, but was written before.
  await put(2, 'laptop', 'a', { text: 'between' }, 20);
  await put(3, 'laptop', null, { later: true }, 5);
  await put(4, 'laptop', null, { later: false }, 5);
  client.close();

  const db = await openDatabase(`file:${path.join(folder, 'zonda.db')}`);
  expect(await currentAnswers(db.read, 'ada')).toEqual({ q1: { a: { text: 'written last' }, '': { later: false } } });
  db.close();
});

it('files that were handed in whole before they came in pieces are whole', async () => {
  const client = await databaseBefore('0014_file_pieces');
  await client.execute('PRAGMA foreign_keys = OFF');
  await client.execute(
    "INSERT INTO attempt_files (attempt, hash, name, size, at) VALUES ('ada', 'h', 'log.csv', 12, 1)",
  );
  client.close();
  const db = await openDatabase(`file:${path.join(folder, 'zonda.db')}`);
  expect([...(await heldFiles(db.read, 'ada')).keys()]).toEqual(['h']);
  db.close();
});

it('attempts and extra minutes of members belong to participants, one for each member', async () => {
  const client = await databaseBefore('0015_participants');
  await client.execute('PRAGMA foreign_keys = OFF');
  const attempt = (id: string, member: string) =>
    client.execute({
      sql: 'INSERT INTO attempts (id, sitting, member, script, seed, started_at, minutes, seen_at) VALUES (?, ?, ?, 1, 2, 3, 4, 5)',
      args: [id, 'mid-term', member],
    });
  await attempt('one', 'ada');
  await attempt('two', 'ben');
  await client.execute({
    sql: 'INSERT INTO extensions (id, sitting, member, minutes, reason, "by", at) VALUES (?, ?, ?, 5, ?, ?, 1)',
    args: ['x', 'mid-term', 'ada', '', 'imre'],
  });
  client.close();
  const db = await openDatabase(`file:${path.join(folder, 'zonda.db')}`);
  expect(await db.read.select().from(participants)).toEqual(
    ['ada', 'ben'].map((id) => ({ id, is: 'member', member: id, group: null, sitting: null, name: '', said: {} })),
  );
  expect((await db.read.select().from(attempts)).map((a) => [a.id, a.participant, a.seed])).toEqual([
    ['one', 'ada', 2],
    ['two', 'ben', 2],
  ]);
  expect((await db.read.select().from(extensions)).map((e) => [e.participant, e.minutes])).toEqual([['ada', 5]]);
  db.close();
});

it('questions and kept searches know the kind of a formula with places by its present name', async () => {
  const client = await databaseBefore('0017_kind_names');
  await client.execute('PRAGMA foreign_keys = OFF');
  const question = (id: string, kinds: string) =>
    client.execute({
      sql: `INSERT INTO questions (id, bank, difficulty, demand, title, kinds, marks, ready, draft, draft_version, revision, changed, author, saved_by, saved_at)
            VALUES (?, 'b', 1, 'know', '', ?, '1', 1, '{}', 1, 1, 0, 'o', 'o', 1)`,
      args: [id, kinds],
    });
  await question('one', 'choice places');
  await question('two', 'placesetting');
  await client.execute({
    sql: "INSERT INTO kept_searches (id, member, name, search) VALUES ('k', 'm', '', ?)",
    args: [JSON.stringify({ kind: 'places', words: 'places' })],
  });
  client.close();
  const db = await openDatabase(`file:${path.join(folder, 'zonda.db')}`);
  expect((await db.read.select({ kinds: questions.kinds }).from(questions)).map(({ kinds }) => kinds)).toEqual([
    'choice formulaWithPlaces',
    'placesetting',
  ]);
  expect((await db.read.select().from(keptSearches))[0]?.search).toEqual({
    kind: 'formulaWithPlaces',
    words: 'places',
  });
  db.close();
});

it('what was handed in before stays marked, every teacher and marker keeps every course, and the tray what it had', async () => {
  const client = await databaseBefore('0018_marked_at');
  await client.execute('PRAGMA foreign_keys = OFF');
  for (const [id, role] of [
    ['imre', 'teacher'],
    ['mirela', 'marker'],
    ['odalys', 'lead'],
    ['ada', 'student'],
  ])
    await client.execute({
      sql: "INSERT INTO members (id, user_name, name, role, password_hash, created_at) VALUES (?, ?, '', ?, '', 1)",
      args: [id ?? '', id ?? '', role ?? ''],
    });
  await client.execute("INSERT INTO courses (id, code, title, term) VALUES ('c', 'WT', '', '')");
  for (const [id, handedIn] of [
    ['one', 7],
    ['two', null],
  ] as const)
    await client.execute({
      sql: "INSERT INTO attempts (id, sitting, participant, script, seed, started_at, minutes, seen_at, handed_in_at) VALUES (?, 's', 'ada', 1, 2, 3, 4, 5, ?)",
      args: [id, handedIn],
    });
  const hash = 'a'.repeat(64);
  await client.execute({
    sql: "INSERT INTO media (hash, mime, size, width, height, added_by, added_at) VALUES (?, 'image/png', 1, 1, 1, 'imre', 1)",
    args: [hash],
  });
  await client.execute({
    sql: `INSERT INTO questions (id, bank, difficulty, demand, title, kinds, marks, ready, draft, draft_version, revision, changed, author, saved_by, saved_at)
          VALUES ('q', 'b', 1, 'know', '', '', '1', 1, ?, 1, 1, 0, 'imre', 'imre', 1)`,
    args: [JSON.stringify({ content: [{ attrs: { media: hash } }] })],
  });
  client.close();
  const db = await openDatabase(`file:${path.join(folder, 'zonda.db')}`);
  const rows = await db.read.select().from(attempts);
  expect(rows.map((a) => [a.id, a.markedAt])).toEqual([
    ['one', 7],
    ['two', null],
  ]);
  const secrets = rows.map(({ secret }) => secret);
  expect(secrets.every((secret) => /^[0-9a-f]{32}$/.test(secret)) && secrets[0] !== secrets[1]).toBe(true);
  expect(await db.read.select().from(courseStaff)).toEqual([
    { course: 'c', member: 'imre' },
    { course: 'c', member: 'mirela' },
  ]);
  expect(await db.read.select().from(mediaKeepers)).toEqual([{ media: hash, member: 'imre' }]);
  expect(await db.read.select().from(mediaUses)).toEqual([{ media: hash, row: 1 }]);
  db.close();
});

it('sittings, attempts and provisions of before go on as they were: sat once, never late, opened by the clock', async () => {
  const client = await databaseBefore('0029_watch_and_tries');
  await client.execute('PRAGMA foreign_keys = OFF');
  await client.execute(
    "INSERT INTO sittings (id, course, title, plan, opens_at, closes_at, minutes, boundaries, boundaries_version, created_by, created_at) VALUES ('s', 'c', 'Old', '{}', 1, 9000000, 30, '{}', 1, 'm', 1)",
  );
  await client.execute("INSERT INTO participants (id, kind, member, name) VALUES ('ada', 'member', 'ada', '')");
  await client.execute(
    "INSERT INTO attempts (id, sitting, participant, script, seed, started_at, minutes, seen_at) VALUES ('a', 's', 'ada', 1, 7, 1000, 38, 1000)",
  );
  await client.execute(
    "INSERT INTO provisions (member, extra_time_percent, reason, decided_by, decided_at) VALUES ('ada', 25, 'reading', 'm', 1)",
  );
  client.close();

  const db = await openDatabase(`file:${path.join(folder, 'zonda.db')}`);
  const [sitting] = await db.read.select().from(sittings);
  expect(sitting).toMatchObject({ byHand: false, dueAt: null, late: null, tries: null });
  const found = await findAttempt(db.read, 'a', 2000);
  expect(found).toMatchObject({
    state: { startedAt: 1000, deadline: 1000 + 38 * 60_000, handedInAt: null },
    pausedAt: null,
    late: null,
    attempt: { asideAt: null, reopenedAt: null },
  });
  expect((await entitledIn(db.read, 's', ['ada'], 2000)).get('ada')).toEqual({
    extra: { percent: 25, minutes: 0 },
    largePrint: false,
    readAloud: false,
    breakMinutes: 0,
    glosses: false,
    secondLanguage: false,
  });
  db.close();
});

it('what was said with the marks that count stands by itself, each once', async () => {
  const client = await databaseBefore('0040_remarks');
  await client.execute('PRAGMA foreign_keys = OFF');
  const put = (slot: string, by: string | null, remark: string, at: number, mending: string | null = null) =>
    client.execute({
      sql: "INSERT INTO marks (attempt, item, slot, marks, by, trace, feedback, remark, at, mending) VALUES ('ada', 'q1', ?, '1', ?, '[]', '', ?, ?, ?)",
      args: [slot, by, remark, at, mending],
    });
  const mended = (id: string, state: string) =>
    client.execute({
      sql: "INSERT INTO mendings (id, sitting, item, changes, reason, state, by, at) VALUES (?, 's', 'q1', '[]', '', ?, 'odalys', 1)",
      args: [id, state],
    });
  await mended('back', 'taken back');
  await mended('on', 'applied');
  await put('a', 'mirela', 'An earlier word.', 1);
  await put('a', 'mirela', 'Nearly.', 2);
  // A mending that was taken back does not count, and says nothing.
  await put('a', null, '', 3, 'back');
  await put('b', 'mirela', 'Said of a mark that is another by now.', 4);
  await put('b', null, '', 5, 'on');
  await put('c', 'mirela', '', 6);
  client.close();

  const db = await openDatabase(`file:${path.join(folder, 'zonda.db')}`);
  const said = await remarksOf(db.read, ['ada'], { viewer: 'mirela' });
  expect(said).toMatchObject([{ slot: 'a', words: 'Nearly.', anchor: { at: 'whole' }, kept: null, own: true }]);
  expect(new Set(said.map(({ id }) => id)).size).toBe(said.length);
  db.close();
});
