import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { must } from '@/core/base/result';
import { FINAL } from '@/core/gradebook/book';
import type { Context } from '@/server/context';
import { openGradebook } from '@/server/gradebook/gradebook';
import { saveBook } from '@/server/gradebook/settings';
import { unenrol } from '@/server/people/roster';
import { compareOutside } from '@/server/platforms/compare';
import { connectOutsideBook, disconnectOutsideBook } from '@/server/platforms/connect';
import { openOutsideBook } from '@/server/platforms/outside-book';
import { nameOutside } from '@/server/platforms/outside-people';
import { dropPlatform, keepPlatform, listPlatforms, tryPlatform } from '@/server/platforms/platforms';
import { sendScores } from '@/server/platforms/send';
import { tellOutside } from '@/server/platforms/tell';
import { STAND_IN } from '@/server/ports/platform-stand-in';
import type { TestDepartment } from '../drivers/department';
import { LINE_ITEMS, OutsideCourse } from '../drivers/outside-course';
import { freshColumn } from '../fixtures/book-column';

let outside: OutsideCourse;
let dept: TestDepartment;
beforeEach(async () => {
  outside = await OutsideCourse.open();
  dept = outside.dept;
});
afterEach(() => dept.close());

describe('scores of a course', () => {
  it('arrive at the outside gradebook, of those who are known there, once', async () => {
    await outside.connected();
    // Talk and final grade of Ada and Ben, the poster of Ada.
    expect(await outside.tell()).toBe(5);
    expect(await outside.column('talk')).toMatchObject({ waiting: 2, arrived: 0, news: 0 });
    expect(await sendScores(outside.as('lead'))).toEqual({ sent: 5, failed: 0 });
    expect(await outside.column('talk')).toMatchObject({ waiting: 0, arrived: 2, news: 0, failed: 0 });
    // Nobody has told of Cleo, and Ben has no poster.
    expect(await outside.compare()).toEqual({ same: 6, differences: [] });
    expect(await outside.tell()).toBe(0);
    expect(await sendScores(outside.as('lead'))).toEqual({ sent: 0, failed: 0 });
    const scores = outside
      .toThe(/scores$/)
      .map(({ message }) => JSON.parse(message.body ?? '') as { scoreGiven: number });
    expect(scores.find(({ scoreGiven }) => scoreGiven === 8)).toEqual({
      userId: '5323497',
      scoreGiven: 8,
      scoreMaximum: 10,
      activityProgress: 'Completed',
      gradingProgress: 'FullyGraded',
      timestamp: new Date(dept.now).toISOString(),
    });
    expect(outside.said.filter(({ message }) => message.address === STAND_IN.tokenAddress)).toHaveLength(1);
  });

  it('are told anew when they change, and taken away when they are gone', async () => {
    await outside.connected();
    await outside.tell();
    await sendScores(outside.as('lead'));
    dept.pass(1);
    await outside.put('ada', 'talk', '9.5');
    await outside.put('ada', 'poster', null);
    expect((await outside.compare()).differences).toMatchObject([
      { name: 'ada', column: 'talk', here: { given: 9.5, of: 10 }, there: { given: 8, of: 10 } },
      { name: 'ada', column: 'poster', here: null, there: { given: 10, of: 10 } },
      { name: 'ada', column: FINAL },
    ]);
    expect(await outside.tell()).toBe(3);
    await sendScores(outside.as('lead'));
    expect(await outside.compare()).toEqual({ same: 6, differences: [] });
  });

  it('that change while they are on the way are told anew', async () => {
    await outside.connected();
    await outside.tell();
    outside.instead = () => null;
    let once = true;
    const ctx = outside.as('lead');
    const slow: Context = {
      ...ctx,
      web: {
        ...ctx.web,
        send: async (message) => {
          if (once && /scores$/.test(message.address)) {
            once = false;
            await outside.put('ada', 'talk', '3');
            await outside.tell();
          }
          return ctx.web.send(message);
        },
      },
    };
    await sendScores(slow);
    expect(await outside.column('talk')).toMatchObject({ waiting: 1 });
    dept.pass(1);
    await sendScores(outside.as('lead'));
    expect(await outside.compare()).toEqual({ same: 6, differences: [] });
  });

  it('of who left the course are not told', async () => {
    await outside.connected();
    must(await unenrol(dept.as('teacher'), { course: dept.course, member: dept.id('ada') }));
    expect(await outside.tell()).toBe(2);
    await sendScores(outside.as('lead'));
    const told = outside
      .toThe(/scores$/)
      .map(({ message }) => (JSON.parse(message.body ?? '') as { userId: string }).userId);
    expect(told).toEqual(['x-17', 'x-17']);
  });

  it('of columns that are not released are nobody’s outside', async () => {
    const platform = await outside.register();
    const { sitting } = await dept.sitting(1);
    await dept.sit('ada', sitting, { item0: {} });
    const columns = [`s-${sitting}`];
    must(
      await connectOutsideBook(dept.as('teacher'), { course: dept.course, platform, lineItems: LINE_ITEMS, columns }),
    );
    must(
      await nameOutside(dept.as('teacher'), { course: dept.course, ids: [{ member: dept.id('ada'), outsideId: '1' }] }),
    );
    expect(await outside.column(`s-${sitting}`)).toMatchObject({ released: false, told: true, news: 0 });
    expect(await outside.tell()).toBe(0);
  });

  it('of a column that is left off are not sent any more, though they waited', async () => {
    const platform = await outside.connected();
    await outside.tell();
    const connect = (columns: string[]) =>
      connectOutsideBook(dept.as('teacher'), { course: dept.course, platform, lineItems: LINE_ITEMS, columns });
    must(await connect(['poster']));
    expect(await sendScores(outside.as('lead'))).toEqual({ sent: 1, failed: 0 });
    must(await connect(['talk', 'poster']));
    expect(await outside.tell()).toBe(2);
    must(await connect([]));
    expect(await sendScores(outside.as('lead'))).toEqual({ sent: 0, failed: 0 });
  });

  it('go to one line item for each column, whoever asks and however often it was forgotten', async () => {
    const platform = await outside.connected();
    await outside.tell();
    // Two processes at the same time.
    const both = await Promise.all([sendScores(outside.as('lead')), sendScores(outside.as('lead'))]);
    expect(both.reduce((all, { sent }) => all + sent, 0)).toBe(5);
    expect(outside.toThe(/scores$/)).toHaveLength(5);
    must(await disconnectOutsideBook(dept.as('teacher'), dept.course));
    const columns = ['talk'];
    must(
      await connectOutsideBook(dept.as('teacher'), { course: dept.course, platform, lineItems: LINE_ITEMS, columns }),
    );
    dept.pass(1);
    expect(await outside.tell()).toBe(2);
    await sendScores(outside.as('lead'));
    expect(outside.toThe(/line_items$/).filter(({ message }) => message.method === 'POST')).toHaveLength(3);
  });

  it('follow a column that is called otherwise, or is of other marks', async () => {
    await outside.connected();
    await outside.tell();
    await sendScores(outside.as('lead'));
    const { book, version } = must(await openGradebook(dept.as('teacher'), dept.course));
    const [talk, ...others] = book.columns;
    const columns = [freshColumn('talk', { ...talk, from: { is: 'hand', title: 'Long talk', of: '20' } }), ...others];
    must(await saveBook(dept.as('teacher'), { course: dept.course, base: version, book: { ...book, columns } }));
    dept.pass(1);
    await outside.tell();
    await sendScores(outside.as('lead'));
    const put = outside.said.filter(({ message }) => message.method === 'PUT');
    expect(put.map(({ message }) => JSON.parse(message.body ?? ''))).toEqual([
      { label: 'Long talk', scoreMaximum: 20, resourceId: 'talk' },
    ]);
    expect((await outside.compare()).differences).toEqual([]);
  });
});

describe('who may do what', () => {
  it('platforms are the lead’s to keep', async () => {
    const platform = await outside.connected();
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
    const platform = await outside.connected();
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
    const platform = await outside.register();
    for (const lineItems of ['https://elsewhere.example/line_items', 'nonsense', `${STAND_IN.under}../token`]) {
      const refused = await connectOutsideBook(dept.as('teacher'), {
        course: dept.course,
        platform,
        lineItems,
        columns: [],
      });
      expect(refused).toMatchObject({ ok: false, refusal: { at: ['lineItems'] } });
    }
    const moved = { id: platform, name: 'Moved', clientId: 'x', audience: '', tokenAddress: STAND_IN.tokenAddress };
    expect(must(await openOutsideBook(dept.as('teacher'), dept.course)).connected).toBeNull();
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
    await outside.connected();
    await outside.tell();
    await sendScores(outside.as('lead'));
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
    expect(await outside.tell()).toBe(5);
    await sendScores(outside.as('lead'));
    // What stood under the id before is seen there, and goes when what is here is sent.
    const { differences } = await outside.compare();
    expect(differences.map(({ name, column: id }) => `${name} ${id}`)).toEqual(['ben poster']);
    dept.pass(1);
    expect(await outside.tell(differences)).toBe(1);
    await sendScores(outside.as('lead'));
    expect(await outside.compare()).toEqual({ same: 6, differences: [] });
  });
});
