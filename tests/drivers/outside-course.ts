import { must, ok } from '@/core/base/result';
import { FINAL, NEW_BOOK } from '@/core/gradebook/book';
import type { Context } from '@/server/context';
import { putCells } from '@/server/gradebook/entries';
import { openGradebook } from '@/server/gradebook/gradebook';
import { saveBook } from '@/server/gradebook/settings';
import { type Comparison, compareOutside } from '@/server/platforms/compare';
import { connectOutsideBook } from '@/server/platforms/connect';
import { type OutsideColumn, openOutsideBook } from '@/server/platforms/outside-book';
import { nameOutside } from '@/server/platforms/outside-people';
import { keepPlatform } from '@/server/platforms/platforms';
import { tellOutside } from '@/server/platforms/tell';
import { STAND_IN } from '@/server/ports/platform-stand-in';
import type { Message, Reply } from '@/server/ports/web';
import { freshColumn } from '../fixtures/book-column';
import { TestDepartment } from './department';

export const LINE_ITEMS = STAND_IN.lineItems('WT-1');

/** A department whose course can stand in the gradebook of the stand-in platform, with an ear at the way there. */
export class OutsideCourse {
  /** What was said to the platform, in order. */
  said: { message: Message; reply: Reply }[] = [];
  /** What the platform answers instead, where something is to go wrong. */
  instead: (message: Message) => Reply | null = () => null;

  private constructor(readonly dept: TestDepartment) {}

  static async open(): Promise<OutsideCourse> {
    return new OutsideCourse(await TestDepartment.open());
  }

  as(who: string): Context {
    const ctx = this.dept.as(who);
    const send: typeof ctx.web.send = async (message) => {
      const reply = this.instead(message) ?? must(await ctx.web.send(message));
      this.said.push({ message, reply });
      return ok(reply);
    };
    return { ...ctx, web: { ...ctx.web, send } };
  }

  async register(more: object = {}): Promise<string> {
    const { name, tokenAddress, clientId, under } = STAND_IN;
    const input = { id: null, name, tokenAddress, clientId, audience: null, under, ...more };
    return must(await keepPlatform(this.dept.as('lead'), input)).id;
  }

  async put(who: string, column: string, marks: string | null): Promise<void> {
    const { dept } = this;
    const { rows, columns } = must(await openGradebook(dept.as('teacher'), dept.course));
    const at = columns.findIndex((one) => one.column.id === column);
    const base = rows.find(({ member }) => member === dept.id(who))?.cells[at]?.last ?? 0;
    const entry = marks === null ? null : { is: 'marks', marks };
    const changes = [{ column, member: dept.id(who), entry, base }];
    must(await putCells(dept.as('teacher'), { course: dept.course, changes, reason: '' }));
  }

  /** The course has a talk of 10 and a poster of 10, and is connected; Ada and Ben are known on the platform, whose id is returned. */
  async connected(): Promise<string> {
    const { course } = this.dept;
    const teacher = this.dept.as('teacher');
    const platform = await this.register();
    const book = { ...NEW_BOOK, columns: [freshColumn('talk'), freshColumn('poster')] };
    must(await saveBook(teacher, { course, base: 0, book }));
    await this.put('ada', 'talk', '8');
    await this.put('ben', 'talk', '5');
    await this.put('cleo', 'talk', '9');
    await this.put('ada', 'poster', '10');
    const columns = ['talk', 'poster', FINAL];
    must(await connectOutsideBook(teacher, { course, platform, lineItems: LINE_ITEMS, columns }));
    const ids = [
      { member: this.dept.id('ada'), outsideId: '5323497' },
      { member: this.dept.id('ben'), outsideId: 'x-17' },
    ];
    must(await nameOutside(teacher, { course, ids }));
    return platform;
  }

  async tell(again: { column: string; member: string }[] = []): Promise<number> {
    return must(await tellOutside(this.as('teacher'), { course: this.dept.course, again })).scores;
  }

  async compare(): Promise<Comparison> {
    return must(await compareOutside(this.as('teacher'), this.dept.course));
  }

  async column(id: string): Promise<OutsideColumn | undefined> {
    return must(await openOutsideBook(this.dept.as('teacher'), this.dept.course)).columns.find((one) => one.id === id);
  }

  /** What was said to an address that ends so. */
  toThe(end: RegExp): OutsideCourse['said'] {
    return this.said.filter(({ message }) => end.test(message.address));
  }
}
