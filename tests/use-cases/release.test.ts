import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { must } from '@/core/base/result';
import { mails } from '@/server/db/schema/mail';
import { openGradebook } from '@/server/gradebook/gradebook';
import { setEmail } from '@/server/people/roster';
import { checkCertificate, hasCertificate, openCertificate, setCertificate } from '@/server/results/certificates';
import { answerMarkQuestion, askAboutMark, markQuestionsOf, marksAskedAbout } from '@/server/results/mark-questions';
import { noteRead, openOwnResult } from '@/server/results/own-result';
import { releaseDue, releaseResults, takeBackResults } from '@/server/results/release';
import { openResults } from '@/server/results/results';
import { TestDepartment } from '../drivers/department';
import { handInNumbers } from '../drivers/hand-in';
import { numberQuestion } from '../drivers/samples';

const SHOWS = { marks: true, right: true, key: false, explanation: false, remarks: true, atOnce: true };
const MINUTE = 60_000;

let dept: TestDepartment;
let sitting: string;
let items: string[];
const attempts: Record<string, string> = {};
beforeEach(async () => {
  dept = await TestDepartment.open();
  ({ sitting, items } = await dept.sitting(1, 30, numberQuestion));
  attempts.ada = await handInNumbers(dept, 'ada', sitting, ['42']);
  attempts.ben = await handInNumbers(dept, 'ben', sitting, ['7']);
});
afterEach(() => dept.close());

const sees = async (who: string): Promise<boolean> => {
  const own = await openOwnResult(dept.as(who), attempts[who] ?? '');
  return own.ok && own.value.score !== null;
};
const release = (more: object = {}) => releaseResults(dept.as('teacher'), { sitting, shows: SHOWS, ...more });

describe('a release', () => {
  it('goes to some, then to more, then to all, and is taken back from all', async () => {
    must(await release({ to: [dept.as('ada').actor.id] }));
    expect([await sees('ada'), await sees('ben')]).toEqual([true, false]);
    const { rows } = must(await openResults(dept.as('teacher'), sitting));
    expect(rows.map(({ name, out }) => [name, out])).toEqual([
      ['ada', true],
      ['ben', false],
    ]);
    // What is not out for a student does not count in the gradebook either.
    const book = must(await openGradebook(dept.as('teacher'), dept.course));
    expect(book.rows.map(({ cells }) => cells[0]?.score?.stands)).toEqual([true, false]);
    must(await release({ to: [dept.as('ben').actor.id] }));
    expect([await sees('ada'), await sees('ben')]).toEqual([true, true]);
    must(await release());
    expect(must(await openResults(dept.as('teacher'), sitting)).releasedTo).toBeNull();
    must(await takeBackResults(dept.as('teacher'), sitting));
    expect([await sees('ada'), await sees('ben')]).toEqual([false, false]);
    expect(await release({ to: ['nobody'] })).toMatchObject({ refusal: { code: 'not-found' } });
  });

  it('waits for its time, and is called off', async () => {
    const at = dept.now + 60 * MINUTE;
    expect(await release({ when: { is: 'at', at: dept.now } })).toMatchObject({
      refusal: { code: 'release-in-the-past' },
    });
    must(await release({ when: { is: 'at', at } }));
    expect(await releaseDue(dept.as('teacher'))).toEqual([]);
    expect(await sees('ada')).toBe(false);
    must(await takeBackResults(dept.as('teacher'), sitting));
    dept.pass(61);
    await releaseDue(dept.as('teacher'));
    expect(await sees('ada')).toBe(false);
    must(await release({ when: { is: 'at', at: dept.now + MINUTE } }));
    dept.pass(2);
    await releaseDue(dept.as('teacher'));
    expect(await sees('ada')).toBe(true);
  });

  it('planned for when all is marked, comes when nobody can get in any more', async () => {
    must(await release({ when: { is: 'marked' } }));
    await releaseDue(dept.as('teacher'));
    expect(await sees('ada')).toBe(false);
    dept.pass(24 * 60);
    await releaseDue(dept.as('teacher'));
    expect(await sees('ada')).toBe(true);
    expect(must(await openResults(dept.as('teacher'), sitting)).planned).toBeNull();
  });

  it('is told once to those who have an address', async () => {
    const ada = dept.as('ada').actor.id;
    must(await setEmail(dept.as('teacher'), { course: dept.course, member: ada, email: 'ada@example.org' }));
    const tell = {
      subject: 'Your result of [exam]',
      text: 'Dear [name], see [address]',
      address: 'https://z.example/my',
    };
    must(await release({ to: [ada], tell }));
    must(await release({ tell }));
    const sent = await dept.as('teacher').db.read.select().from(mails);
    expect(sent).toMatchObject([{ to: 'ada@example.org', text: 'Dear ada, see https://z.example/my' }]);
  });

  it('is known to be read, from the first time on', async () => {
    must(await release());
    await noteRead(dept.as('teacher'), attempts.ada ?? '');
    await noteRead(dept.as('ada'), attempts.ada ?? '');
    const first = dept.now;
    dept.pass(5);
    await noteRead(dept.as('ada'), attempts.ada ?? '');
    const { rows } = must(await openResults(dept.as('teacher'), sitting));
    expect(rows.map(({ readAt }) => readAt)).toEqual([first, null]);
  });
});

describe('a question about a mark', () => {
  const ask = (who: string, attempt = attempts[who] ?? '', words = 'Why is 7 wrong?') =>
    askAboutMark(dept.as(who), { attempt, item: items[0] ?? '', words });

  it('is asked at the place and answered there, once', async () => {
    must(await release());
    must(await ask('ben'));
    expect(await ask('ben')).toMatchObject({ refusal: { code: 'asked-already' } });
    const waiting = await marksAskedAbout(dept.as('teacher'));
    expect(waiting).toMatchObject([{ attempt: attempts.ben, by: 'ben', count: 1 }]);
    const [question] = await markQuestionsOf(dept.as('teacher').db.read, attempts.ben ?? '');
    const answer = { id: question?.id, words: 'The answer is 42.' };
    for (const who of ['ada', 'ben', 'marker'])
      expect(await answerMarkQuestion(dept.as(who), answer), who).toMatchObject({ refusal: { code: 'forbidden' } });
    must(await answerMarkQuestion(dept.as('teacher'), answer));
    expect(await answerMarkQuestion(dept.as('lead'), answer)).toMatchObject({ refusal: { code: 'answered-already' } });
    expect(await marksAskedAbout(dept.as('teacher'))).toEqual([]);
    expect(await markQuestionsOf(dept.as('teacher').db.read, attempts.ben ?? '')).toMatchObject([
      { words: 'Why is 7 wrong?', answer: { words: 'The answer is 42.', by: 'teacher' } },
    ]);
    must(await ask('ben', undefined, 'And why not 7?'));
  });

  it('is asked by whose marks they are, and only where they are seen', async () => {
    expect(await ask('ben')).toMatchObject({ ok: false });
    must(await release({ shows: { ...SHOWS, marks: false } }));
    expect(await ask('ben')).toMatchObject({ refusal: { code: 'marks-not-seen' } });
    expect(await ask('ada', attempts.ben)).toMatchObject({ refusal: { code: 'forbidden' } });
    expect(await ask('teacher', attempts.ben)).toMatchObject({ refusal: { code: 'forbidden' } });
  });
});

describe('a certificate', () => {
  const open = (who: string, attempt = attempts[who] ?? '') => openCertificate(dept.as(who), attempt, () => '3 May');

  it('is for who passed and knows it; its number says so to anybody, without marks', async () => {
    const text = '[name] passed [exam] on [date] with [percent].';
    must(await setCertificate(dept.as('teacher'), { sitting, text }));
    expect([await hasCertificate(dept.as('ada'), attempts.ada ?? ''), (await open('ada')).ok]).toEqual([false, false]);
    must(await release());
    expect(await hasCertificate(dept.as('ada'), attempts.ada ?? '')).toBe(true);
    expect(await open('ben')).toMatchObject({ refusal: { code: 'forbidden' } });
    expect(await open('ben', attempts.ada)).toMatchObject({ refusal: { code: 'forbidden' } });
    expect(await open('teacher', attempts.ada)).toMatchObject({ refusal: { code: 'forbidden' } });
    const first = must(await open('ada'));
    expect(first.text).toBe('ada passed Test exam on 3 May with 100.0 %.');
    expect(must(await open('ada')).number).toBe(first.number);
    const checked = await checkCertificate(dept.as('ada'), first.number.toLowerCase());
    expect(checked).toMatchObject({ name: 'ada', exam: 'Test exam', holds: true });
    expect(JSON.stringify(checked)).not.toContain('100');
    expect(await checkCertificate(dept.as('ada'), 'ZZZZ-ZZZZ-ZZZZ')).toBeNull();
    expect(await checkCertificate(dept.as('ada'), "' OR 1=1 --")).toBeNull();
    must(await takeBackResults(dept.as('teacher'), sitting));
    expect(await checkCertificate(dept.as('ada'), first.number)).toMatchObject({ holds: false });
    must(await release());
    must(await setCertificate(dept.as('teacher'), { sitting, text: null }));
    expect(await checkCertificate(dept.as('ada'), first.number)).toMatchObject({ holds: false });
    expect(await setCertificate(dept.as('ada'), { sitting, text })).toMatchObject({ ok: false });
  });
});
