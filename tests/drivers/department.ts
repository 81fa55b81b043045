import { contentFromText } from '@/core/content/written';
import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { eq } from 'drizzle-orm';
import type { QuestionBody } from '@/core/bank/question';
import { must } from '@/core/base/result';
import type { ExamPlan } from '@/core/exams/plan';
import type { Actor, Role } from '@/core/people/may';
import { enterSitting } from '@/server/sittings/enter';
import { saveAnswers } from '@/server/sittings/save-answers';
import { createQuestion } from '@/server/bank/create-question';
import type { Context, Outside } from '@/server/context';
import { openDatabase } from '@/server/db/database';
import { answers } from '@/server/db/schema/attempts';
import { createExam, freshPlan, revisionToPlace } from '@/server/exams/exams';
import { installDepartment, type Installed } from '@/server/people/install';
import { FIRST_POLICY } from '@/server/people/policy';
import { openMarker } from '@/server/jobs/marker';
import { folderFiles } from '@/server/ports/files';
import { standInMailer } from '@/server/ports/mailer-port';
import { standInRecogniser } from '@/server/ports/recogniser';
import { publicKeys } from '../../src/server/platforms/keys';
import { standInPlatform } from '../../src/server/ports/platform-stand-in';
import { standInWeb } from '@/server/ports/web-stand-in';
import { type AttemptRow, attemptRow } from '@/server/sittings/attempts';
import { scheduleSitting } from '@/server/sittings/schedule';
import { sampleQuestion } from './samples';

export const MINUTE = 60_000;
export const PASSWORD = 'correct horse';

/** The course has one teacher and one marker; stranger and outsider are a teacher and a marker of others. */
const PEOPLE: [string, Exclude<Role, 'guest'>][] = [
  ['lead', 'lead'],
  ['teacher', 'teacher'],
  ['marker', 'marker'],
  ['stranger', 'teacher'],
  ['outsider', 'marker'],
  ['ada', 'student'],
  ['ben', 'student'],
  ['cleo', 'student'],
];

/** One thread marks for all departments of a test process; it takes most of a second to begin. */
const marker = openMarker();

/** The services of a department whose data lie in a folder. */
async function servicesIn(folder: string, clock: () => number): Promise<Omit<Outside, 'now'>> {
  const db = await openDatabase(`file:${path.join(folder, 'test.db')}`);
  const platform = standInPlatform(path.join(folder, 'stand-in-platform'), () => publicKeys(db, clock()), clock);
  return {
    db,
    marker,
    files: folderFiles(path.join(folder, 'files')),
    web: standInWeb(platform),
    mailer: standInMailer,
    recogniser: standInRecogniser(),
    converter: { convert: () => Promise.resolve(null) },
  };
}

/** A database in which nobody is yet. */
export async function emptyDatabase(folder: string): Promise<Outside> {
  return { ...(await servicesIn(folder, () => 1)), now: 1_800_000_000_000 };
}

/** The department as it is installed, made once in a process: each test plays on a copy. */
let template: Promise<{ folder: string; installed: Installed }> | undefined;

async function makeTemplate(): Promise<{ folder: string; installed: Installed }> {
  const folder = mkdtempSync(path.join(tmpdir(), 'zonda-template-'));
  process.once('exit', () => rmSync(folder, { recursive: true, force: true }));
  const services = await servicesIn(folder, () => 1);
  const installed = await installDepartment(
    { ...services, now: 1 },
    {
      name: 'Test department',
      institute: 'Kestrel Ridge Institute',
      policy: {
        ...FIRST_POLICY,
        grades: [
          { from: '0', grade: 'F' },
          { from: '50', grade: 'C' },
        ],
        ranges: [
          { from: '0', text: contentFromText('Try again, [name].') },
          { from: '50', text: contentFromText('[score] of [total]') },
        ],
      },
      people: PEOPLE.map(([userName, role]) => ({ userName, name: userName, role, password: PASSWORD })),
      courses: [{ code: 'WT-1', title: 'Wind', term: 'now', staff: ['teacher', 'marker'], students: ['ada', 'ben'] }],
      banks: [{ name: 'Bank', share: 'department', owner: 'teacher', topics: [{ name: 'Topic' }] }],
    },
  );
  services.db.close();
  return { folder, installed };
}

/** A small department on a real database file, with a clock that is moved by hand. */
export class TestDepartment {
  now = 1_800_000_000_000;

  private constructor(
    private readonly folder: string,
    private readonly services: Omit<Outside, 'now'>,
    private readonly installed: Installed,
  ) {}

  static async open(): Promise<TestDepartment> {
    const { folder: made, installed } = await (template ??= makeTemplate());
    const folder = mkdtempSync(path.join(tmpdir(), 'zonda-'));
    cpSync(made, folder, { recursive: true });
    const services = await servicesIn(folder, () => dept.now);
    const dept: TestDepartment = new TestDepartment(folder, services, installed);
    return dept;
  }

  get out(): Outside {
    return { ...this.services, now: this.now };
  }

  id(userName: string): string {
    return this.installed.people.get(userName) ?? '';
  }

  get course(): string {
    return this.installed.courses.get('WT-1') ?? '';
  }

  get bank(): string {
    return this.installed.banks.get('Bank') ?? '';
  }

  as(userName: string): Context {
    const role = PEOPLE.find(([name]) => name === userName)?.[1] ?? 'student';
    const actor: Actor = { id: this.id(userName), role };
    return { ...this.out, actor };
  }

  private seq = 0;

  pass(minutes: number): void {
    this.now += minutes * MINUTE;
  }

  async question(body: QuestionBody = sampleQuestion('Sample')): Promise<string> {
    return must(await createQuestion(this.as('teacher'), { bank: this.bank, body })).id;
  }

  /** An exam of so many sample questions and a sitting of it that is open now for two hours. */
  async sitting(
    questions = 2,
    minutes = 30,
    make: (title: string) => QuestionBody = sampleQuestion,
    planned: (plan: ExamPlan) => ExamPlan = (plan) => plan,
  ): Promise<{ sitting: string; items: string[]; exam: string }> {
    const ctx = this.as('teacher');
    const plan = await freshPlan(ctx, 'Test exam');
    const items: string[] = [];
    for (let i = 0; i < questions; i++) {
      const question = await this.question(make(`Sample ${i}`));
      const { revision } = must(await revisionToPlace(ctx, question));
      items.push(`item${i}`);
      plan.sections[0]?.items.push({ id: `item${i}`, question, revision, marks: null, bonus: false });
    }
    const exam = must(
      await createExam(ctx, { title: 'Test exam', course: this.course, plan: planned({ ...plan, minutes }) }),
    ).id;
    const { id } = must(
      await scheduleSitting(ctx, {
        exam,
        course: this.course,
        opensAt: this.now,
        closesAt: this.now + 120 * MINUTE,
        minutes,
      }),
    );
    return { sitting: id, items, exam };
  }

  /** Somebody enters a sitting and answers: values by question and slot. */
  async sit(who: string, sitting: string, given: Record<string, Record<string, unknown>> = {}): Promise<string> {
    const { attempt } = must(await enterSitting(this.as(who), sitting));
    const entries = Object.entries(given).flatMap(([item, slots]) =>
      Object.entries(slots).map(([slot, value]) => ({ item, slot, value, age: 0, seq: ++this.seq })),
    );
    if (entries.length > 0) must(await saveAnswers(this.as(who), { attempt, device: 'device-of-sit', entries }));
    return attempt;
  }

  /** The row of an attempt. */
  attempt(id: string): Promise<AttemptRow> {
    return attemptRow(this.out.db.read, id);
  }

  /** From which devices the changes came that are kept of an attempt, in order. */
  async story(id: string): Promise<{ devices: string[] }> {
    const rows = await this.out.db.read
      .select({ device: answers.device })
      .from(answers)
      .where(eq(answers.attempt, id))
      .orderBy(answers.id);
    return { devices: rows.map(({ device }) => device) };
  }

  async close(): Promise<void> {
    this.services.db.close();
    rmSync(this.folder, { recursive: true, force: true });
  }
}
