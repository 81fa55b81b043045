import { createDecipheriv, scryptSync } from 'node:crypto';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { must } from '@/core/base/result';
import { readExam } from '@/core/exams/exam-archive';
import { openExam } from '@/server/exams/exams';
import { keepExam } from '@/server/exams/keep-exam';
import { examView } from '@/server/exams/exam-view';
import { seal, sealedHead, unseal } from '@/server/exchange/seal';
import { listSealed, loadSealed, openSealed, removeSealed, takeOutSealed } from '@/server/exchange/sealed-files';
import { markWaiting } from '@/server/marking/mark-handed-in';
import { openResults } from '@/server/results/results';
import { handIn } from '@/server/sittings/hand-in';
import { openRoom } from '@/server/sittings/room';
import { scheduleSitting } from '@/server/sittings/schedule';
import { watchSitting } from '@/server/sittings/watch';
import { MINUTE, TestDepartment } from '../drivers/department';

const WORD = 'gusts from the west';
const TOLD = { holds: 'exam' as const, title: 'Rotors', opensAt: null };

describe('a seal', () => {
  const bytes = Buffer.from('what nobody may read');
  const sealed = async (): Promise<Buffer> => Buffer.from((await seal(bytes, WORD, TOLD)) ?? []);

  it('says what it holds, and shows nothing of it', async () => {
    const file = await sealed();
    expect(sealedHead(file)).toEqual(TOLD);
    expect(file.includes('nobody')).toBe(false);
    expect(Buffer.from(await unseal(file, WORD))).toEqual(bytes);
  });

  it('holds against another word, and when any byte was changed, of its head too', async () => {
    const file = await sealed();
    expect(await unseal(file, `${WORD}s`)).toBe('wrong');
    const head = file.indexOf('Rotors');
    for (const at of [head, file.indexOf('\n', 20) + 1, file.length - 1]) {
      const other = Buffer.from(file);
      other[at] = (other[at] ?? 0) ^ 1;
      expect(await unseal(other, WORD)).toBe('wrong');
    }
    for (const other of [
      file.subarray(0, -1),
      file.subarray(0, 40),
      Buffer.from('zonda sealed 1\n{}\n'),
      Buffer.alloc(0),
    ])
      expect(await unseal(other, WORD)).toBe('wrong');
  });

  it('is what docs/formats.md says, so that others can open it', async () => {
    const file = await sealed();
    const end = file.indexOf('\n', 'zonda sealed 1\n'.length) + 1;
    const { salt, iv } = JSON.parse(file.subarray('zonda sealed 1\n'.length, end).toString());
    const key = scryptSync(WORD, Buffer.from(salt, 'base64'), 32, { N: 2 ** 17, r: 8, p: 1, maxmem: 2 ** 28 });
    const decipher = createDecipheriv('aes-256-gcm', key, Buffer.from(iv, 'base64'));
    decipher.setAAD(file.subarray(0, end));
    decipher.setAuthTag(file.subarray(-16));
    expect(Buffer.concat([decipher.update(file.subarray(end, -16)), decipher.final()])).toEqual(bytes);
  });
});

describe('an exam as a file', () => {
  let here: TestDepartment;
  let there: TestDepartment;
  beforeEach(async () => {
    [here, there] = [await TestDepartment.open(), await TestDepartment.open()];
  });
  afterEach(() => Promise.all([here.close(), there.close()]));

  /** An exam of `here`, loaded by `there`. */
  async function loaded(opensAt: number | null = null) {
    const { exam } = await here.sitting(2);
    const { bytes } = must(await takeOutSealed(here.as('teacher'), { what: 'exam', id: exam, word: WORD, opensAt }));
    const { id } = must(await loadSealed(there.as('teacher'), bytes));
    const open = (word = WORD, who = 'teacher', into = there.bank) => openSealed(there.as(who), { id, word, into });
    return { exam, bytes, id, open };
  }

  it('opens elsewhere with its word alone, and is ready to be sat', async () => {
    const { open } = await loaded();
    expect(await open('gusts from the east')).toMatchObject({ refusal: { code: 'seal-holds', at: ['word'] } });
    expect(await listSealed(there.as('teacher'))).toMatchObject([{ title: 'Test exam', holds: 'exam', opensAt: null }]);
    const { address } = must(await open());
    const { plan } = must(await openExam(there.as('teacher'), address.split('/').at(-1) ?? ''));
    const view = must(await examView(there.as('teacher'), { plan, course: there.course, exam: null }));
    expect([view.ready, view.questions, view.findings.filter(({ weight }) => weight === 'stops')]).toEqual([2, 2, []]);
    expect(await listSealed(there.as('teacher'))).toEqual([]);
  });

  it('is not opened before its time, by whatever word', async () => {
    const { open } = await loaded(there.now + 10 * MINUTE);
    expect(await open()).toMatchObject({ refusal: { code: 'sealed-until' } });
    there.pass(10);
    expect((await open()).ok).toBe(true);
  });

  it('is taken out and opened by those who build exams, into a bank that they may write in', async () => {
    const { exam, id, open } = await loaded();
    for (const who of ['marker', 'ada']) {
      expect((await takeOutSealed(here.as(who), { what: 'exam', id: exam, word: WORD })).ok).toBe(false);
      expect(await open(WORD, who)).toMatchObject({ refusal: { code: 'forbidden' } });
      expect(await listSealed(there.as(who))).toEqual([]);
    }
    expect(await open(WORD, 'teacher', 'elsewhere')).toMatchObject({ refusal: { code: 'forbidden' } });
    expect((await removeSealed(there.as('stranger'), id)).ok).toBe(false);
    must(await removeSealed(there.as('teacher'), id));
    expect(await open()).toMatchObject({ refusal: { code: 'not-found' } });
  });

  it('needs a word that is not soon guessed, and is nothing else', async () => {
    const { exam } = await here.sitting(1);
    expect(await takeOutSealed(here.as('teacher'), { what: 'exam', id: exam, word: 'short' })).toMatchObject({
      refusal: { at: ['word'], values: { problem: 'word-short' } },
    });
    for (const bytes of [Buffer.from('PK'), Buffer.from('zonda sealed 1\n{"holds":"exam"}\nxx'), Buffer.alloc(0)])
      expect(await loadSealed(there.as('teacher'), bytes)).toMatchObject({ refusal: { code: 'file-not-sealed' } });
    // Sealed by somebody, and no exam.
    const bytes = (await seal(Buffer.from('no zip'), WORD, TOLD)) ?? new Uint8Array();
    const { id } = must(await loadSealed(there.as('teacher'), bytes));
    expect(await openSealed(there.as('teacher'), { id, word: WORD, into: there.bank })).toMatchObject({
      refusal: { code: 'file-no-exam' },
    });
  });

  it('what was handed in there comes back the same way, and is marked here as it would be there', async () => {
    const { open } = await loaded();
    const { address } = must(await open());
    const exam = address.split('/').at(-1) ?? '';
    const window = { opensAt: there.now, closesAt: there.now + 60 * MINUTE, minutes: 30 };
    const { id: sitting } = must(await scheduleSitting(there.as('teacher'), { exam, course: there.course, ...window }));
    const given = { item0: { c: { text: 'secretkeyword' } }, item1: { c: { text: 'nonsense' } } };
    const attempt = await there.sit('ada', sitting, given);
    must(await handIn(there.as('ada'), attempt));
    expect(await markWaiting(there.out)).toEqual({ failed: [] });
    const { rows } = must(await openResults(there.as('teacher'), sitting));
    // The nonsense waits for a person.
    expect(rows).toMatchObject([{ marks: '1', waiting: 1 }]);
    expect(must(await watchSitting(there.as('teacher'), sitting)).fromFile).toBe(true);
    const order = { what: 'answers', id: sitting, word: WORD };
    expect((await takeOutSealed(there.as('stranger'), order)).ok).toBe(false);
    const { bytes } = must(await takeOutSealed(there.as('teacher'), order));
    const { id } = must(await loadSealed(here.as('teacher'), bytes));
    const back = must(await openSealed(here.as('teacher'), { id, word: WORD, into: here.course }));
    expect(await markWaiting(here.out)).toEqual({ failed: [] });
    const results = must(await openResults(here.as('teacher'), back.address.split('/')[2] ?? ''));
    expect(results.rows.map((row) => [row.name, row.marks])).toEqual([['ada', '1']]);
    // Neither the room nor a second installation takes them.
    expect((await openRoom(here.as('ada'), attempt)).ok).toBe(false);
    const elsewhere = must(await loadSealed(there.as('teacher'), bytes));
    expect(await openSealed(there.as('teacher'), { id: elsewhere.id, word: WORD, into: there.course })).toMatchObject({
      refusal: { code: 'answers-not-ours' },
    });
  });

  it('has its plan and the revisions that it places', async () => {
    const { bytes } = await loaded();
    const opened = await unseal(bytes, WORD);
    if (typeof opened === 'string') throw new Error(opened);
    const { plan, questions } = readExam(opened);
    expect([plan.title, questions.map(({ revision }) => revision)]).toEqual(['Test exam', [1, 1]]);
  });
});

describe('an exam that is shared with some', () => {
  it('is found, opened, copied, scheduled and looked into by them, its owner and the lead alone', async () => {
    const dept = await TestDepartment.open();
    const { exam } = await dept.sitting(1);
    const opens = async (who: string) => (await openExam(dept.as(who), exam)).ok;
    expect(await opens('stranger')).toBe(true);
    must(await keepExam(dept.as('teacher'), { exam, sharedWith: [] }));
    expect([await opens('stranger'), await opens('teacher'), await opens('lead')]).toEqual([false, true, true]);
    expect((await takeOutSealed(dept.as('stranger'), { what: 'exam', id: exam, word: WORD })).ok).toBe(false);
    const window = { opensAt: dept.now, closesAt: dept.now + 60 * MINUTE, minutes: 30 };
    expect((await scheduleSitting(dept.as('lead'), { exam, course: dept.course, ...window })).ok).toBe(true);
    must(await keepExam(dept.as('teacher'), { exam, sharedWith: [dept.id('stranger')] }));
    expect(await opens('stranger')).toBe(true);
    expect((await keepExam(dept.as('stranger'), { exam, sharedWith: null })).ok).toBe(false);
    await dept.close();
  });
});
