import { OPEN_SEARCH } from '@/core/bank/searching';
import { must } from '@/core/base/result';
import { exact, round } from '@/core/base/exact';
import { seeded, seedFor } from '@/core/base/random';
import { type Block, FRESH_PICTURE } from '@/core/content/document';
import type { Slot } from '@/core/bank/question';
import { paperQuestions } from '@/core/exams/paper';
import type { ExamPlan } from '@/core/exams/plan';
import { createExam, freshPlan, revisionToPlace } from '@/server/exams/exams';
import { createQuestion } from '@/server/bank/create-question';
import { keepRubric } from '@/server/bank/rubrics';
import { saveGoals } from '@/server/bank/goals';
import { keepWordList } from '@/server/vocabulary/word-lists';
import { leaveBench } from '@/server/bank/save-draft';
import type { Context, Outside } from '@/server/context';
import { addMedia } from '@/server/media/add-media';
import { openDesk } from '@/server/marking/desk';
import { listMarking } from '@/server/marking/list-marking';
import { giveMark } from '@/server/marking/give-mark';
import { addRemark } from '@/server/marking/remarks';
import { installDepartment, type Installed } from '@/server/people/install';
import { dealGroups } from '@/server/people/groups';
import { NO_PROVISION } from '@/core/people/provision';
import { setProvision } from '@/server/people/provisions';
import { setSubjects } from '@/server/people/roster';
import { releaseResults } from '@/server/results/release';
import { newId } from '@/server/ports/ids';
import { findAttempt } from '@/server/sittings/attempts';
import { enterSitting } from '@/server/sittings/enter';
import { markWaiting } from '@/server/marking/mark-handed-in';
import { handIn, sweep } from '@/server/sittings/hand-in';
import { paperOf } from '@/server/sittings/pinned';
import { saveAnswers } from '@/server/sittings/save-answers';
import { scheduleSitting } from '@/server/sittings/schedule';
import { setBoundaries } from './boundaries';
import { installation } from './department';
import { DRAWINGS } from './drawings';
import { STAFF, subjectOf, WT110, WT201 } from './people';
import { firstPrinciples } from './questions/first-principles';
import { LOG_BOOK, logBook } from './questions/log-book';
import { machine } from './questions/machine';
import { MAINTENANCE_REPORT, reports } from './questions/report';
import { climbing, procedures } from './questions/placed';
import { odd } from './questions/odd';
import { height, site } from './questions/site';
import { visitors } from './questions/visitors';
import { WORKSHOP, workshop } from './questions/workshop';
import { asShown } from './as-shown';
import { judgePassMark, keepGradebook } from './gradebook';
import { connectStandIn } from './outside-gradebook';
import { makeAnswers } from './students';
import { bringCalls, markTwice, sitWorkshop } from './workshop';
import type { DemoQuestion } from './write';

const MINUTE = 60_000;
const HOUR = 60 * MINUTE;
const DAY = 24 * HOUR;

/** Loads the demo department into an empty database, through the same use-cases as real work. Dates are relative to `out.now`. */
export async function loadDemo(out: Outside, say: (line: string) => void): Promise<void> {
  const installed = await installDepartment({ ...out, now: out.now - 60 * DAY }, installation);
  const loader = new Loader(out, installed);
  say('people, courses and banks are there');
  const asked = await loader.questions();
  say(`${asked.size} questions are in the banks`);
  await loader.rubrics();
  await loader.roster();
  await loader.provisions();
  await loader.firstCheck();
  say('the first check is sat, marked and released');
  await loader.midTerm();
  say('the mid-term is handed in and waits for marking');
  await loader.workshop();
  await loader.certificate();
  await loader.openDay();
  await loader.final();
  await loader.logBook();
  await loader.gradebook();
  say('the certificate runs now; the final is next week');
}

const GOALS = [
  { code: 'WT1', words: 'names the main parts of a turbine and says what they do' },
  { code: 'WT2', words: 'works out power, energy and yield, with units' },
  { code: 'WT3', words: 'acts safely at height and near voltage' },
];
const WORD_LISTS = [
  {
    name: 'load cases',
    words: ['gust', 'emergency stop', 'grid loss', 'idling', 'start-up', 'yaw error', 'ice on a blade'],
  },
  { name: 'units of power', words: ['W', 'kW', 'MW', 'watt', 'kilowatt', 'megawatt'] },
];
const GOAL_OF: Record<string, string> = {
  Rotor: 'WT1',
  'Drive train': 'WT1',
  'First principles': 'WT2',
  'Energy in the wind': 'WT2',
  'Safety and rescue': 'WT3',
  'Harness and ladder': 'WT3',
};

interface SectionPlan {
  title: string;
  topics: string[];
  count: number;
  /** Of the topics only questions with these titles. */
  titles?: string[];
  passPercent?: string;
  /** So many more are drawn from the whole bank: of difficulty 2, and not met by the course before. */
  drawn?: number;
  /** Only those who take this subject have it. */
  subject?: string;
}

/** What the final draws from. */
const WHOLE_BANK = {
  items: [],
  seeks: { ...OPEN_SEARCH, difficulty: 2 },
  unseen: true,
  marks: '2',
};

class Loader {
  /** Every question by its id, as it was written. */
  private readonly sources = new Map<string, DemoQuestion>();

  constructor(
    private readonly out: Outside,
    private readonly installed: Installed,
  ) {}

  private as(userName: string, now: number): Context {
    const staff = STAFF.find((s) => s.userName === userName);
    const id = this.installed.people.get(userName);
    if (!id) throw new Error(`There is no ${userName}`);
    return { ...this.out, now, actor: { id, role: staff?.role ?? 'student' } };
  }

  private get(map: Map<string, string>, name: string): string {
    const id = map.get(name);
    if (!id) throw new Error(`There is no ${name}`);
    return id;
  }

  async questions(): Promise<Map<string, DemoQuestion>> {
    const authors: Record<string, string> = {
      Rotor: 'imre',
      'Drive train': 'imre',
      Electrical: 'thandeka',
      'Safety and rescue': 'jonas',
    };
    for (const list of WORD_LISTS) must(await keepWordList(this.as('odalys', this.out.now - 50 * DAY), list));
    const goals = must(await saveGoals(this.as('odalys', this.out.now - 50 * DAY), { goals: GOALS }));
    const aims = (topic: string): string[] => goals.filter(({ code }) => GOAL_OF[topic] === code).map(({ id }) => id);
    let minutes = 0;
    for (const [bank, list] of [
      ['Turbine systems', [...firstPrinciples, ...odd, ...reports, ...machine, ...site, ...procedures, ...workshop]],
      ['Height and rescue', [...height, ...climbing, ...visitors]],
    ] as const) {
      for (const source of list) {
        minutes += 37;
        const who = bank === 'Height and rescue' ? 'jonas' : (authors[source.topic] ?? 'odalys');
        const ctx = this.as(who, this.out.now - 50 * DAY + minutes * MINUTE);
        const body = await this.withDrawing(ctx, source);
        const created = must(
          await createQuestion(ctx, {
            bank: this.get(this.installed.banks, bank),
            facts: {
              topic: this.get(this.installed.topics, source.topic),
              difficulty: source.difficulty,
              demand: source.demand,
              goals: aims(source.topic),
            },
            body,
          }),
        );
        must(await leaveBench(ctx, created.id));
        this.sources.set(created.id, source);
      }
    }
    return this.sources;
  }

  private async withDrawing(ctx: Context, source: DemoQuestion): Promise<DemoQuestion['body']> {
    const ofUs = { licence: 'own work', source: 'Department' };
    for (const name of source.shown ?? [])
      must(
        await addMedia(ctx, new TextEncoder().encode(DRAWINGS[name]), { description: `Wind sign (${name})`, ...ofUs }),
      );
    if (!source.drawing) return source.body;
    const { name, description, width } = source.drawing;
    const added = must(
      await addMedia(ctx, new TextEncoder().encode(DRAWINGS[name]), {
        description,
        ...ofUs,
      }),
    );
    const picture: Block = {
      type: 'picture',
      attrs: { media: added.media, description, width, ratio: added.ratio, ...FRESH_PICTURE },
    };
    const isAbout = ({ setup }: Slot): boolean => 'picture' in Object(setup);
    if (Object.values(source.body.slots).some(isAbout)) {
      const shown = { media: added.media, ratio: added.ratio, description };
      const slots = Object.entries(source.body.slots).map(([id, slot]) => [
        id,
        isAbout(slot) ? { ...slot, setup: { ...Object(slot.setup), picture: shown } } : slot,
      ]);
      return { ...source.body, slots: Object.fromEntries(slots) };
    }
    const [first, ...rest] = source.body.content.content;
    return { ...source.body, content: { type: 'doc', content: first ? [first, picture, ...rest] : [picture] } };
  }

  /** The rubric that marks reports, kept to be used again. */
  async rubrics(): Promise<void> {
    const bank = this.get(this.installed.banks, 'Turbine systems');
    must(await keepRubric(this.as('odalys', this.out.now - 45 * DAY), { bank, rubric: MAINTENANCE_REPORT }));
  }

  /** Three questions that refer to one passage; no exam has them yet. */
  async logBook(): Promise<void> {
    const ctx = this.as('odalys', this.out.now - 40 * DAY);
    const passage = { id: newId(), content: LOG_BOOK, numbered: 'lines' as const };
    for (const { topic, difficulty, demand, body } of logBook) {
      const facts = { topic: this.get(this.installed.topics, topic), difficulty, demand, tags: ['log book'] };
      const bank = this.get(this.installed.banks, 'Turbine systems');
      const { id } = must(await createQuestion(ctx, { bank, facts, body: { ...body, passage } }));
      must(await leaveBench(ctx, id));
    }
  }

  /** Every third student of the larger course learns for work at sea; they work in groups. */
  async roster(): Promise<void> {
    const ctx = this.as('odalys', this.out.now - 41 * DAY);
    const course = this.get(this.installed.courses, 'WT-201');
    for (const { userName } of WT201) {
      const member = this.get(this.installed.people, userName);
      must(await setSubjects(ctx, { course, member, subjects: [subjectOf(userName)] }));
    }
    must(await dealGroups(ctx, { course, size: 5 }));
  }

  async provisions(): Promise<void> {
    const ctx = this.as('odalys', this.out.now - 40 * DAY);
    for (const [userName, extraTimePercent, reason] of [
      [WT201[3]?.userName, 25, 'reading'],
      [WT201[50]?.userName, 25, 'hand injury'],
      [WT110[30]?.userName, 50, 'screen reader'],
    ] as const) {
      must(
        await setProvision(ctx, {
          ...NO_PROVISION,
          member: this.get(this.installed.people, userName ?? ''),
          extraTimePercent,
          reason,
        }),
      );
    }
  }

  private async exam(
    ctx: Context,
    course: string,
    title: string,
    minutes: number,
    passPercent: string,
    sections: SectionPlan[],
    more: Partial<ExamPlan> = {},
  ): Promise<string> {
    const taken = new Set<string>();
    const plan = {
      ...(await freshPlan(ctx, title)),
      minutes,
      passPercent,
      sections: [] as Awaited<ReturnType<typeof freshPlan>>['sections'],
    };
    plan.instructions =
      'Work alone. A calculator and the formula sheet are allowed. You may come back to a question as often as you like.';
    for (const section of sections) {
      const fitting = [...this.sources]
        .filter(([id, s]) => section.topics.includes(s.topic) && !taken.has(id))
        .filter(([, s]) => (section.titles ? section.titles.includes(s.body.title) : !odd.includes(s)))
        .slice(0, section.count);
      const items = [];
      for (const [question] of fitting) {
        taken.add(question);
        const { revision } = must(await revisionToPlace(ctx, question));
        items.push({ id: newId(), question, revision, marks: null, bonus: false });
      }
      plan.sections.push({
        id: newId(),
        title: section.title,
        instructions: '',
        items,
        passPercent: section.passPercent ?? null,
        draws: section.drawn ? [{ ...WHOLE_BANK, id: newId(), take: section.drawn }] : [],
        shuffleQuestions: false,
        ...(section.subject ? { only: { subjects: [section.subject], groups: [], members: [] } } : {}),
      });
    }
    const created = must(
      await createExam(ctx, { title, course: this.get(this.installed.courses, course), plan: { ...plan, ...more } }),
    );
    return created.id;
  }

  private async sitting(
    ctx: Context,
    exam: string,
    course: string,
    opensAt: number,
    closesAt: number,
    minutes: number,
  ): Promise<string> {
    const input = { exam, course: this.get(this.installed.courses, course), opensAt, closesAt, minutes };
    return must(await scheduleSitting(ctx, input)).id;
  }

  /** One student sits: answers in batches over the time, then hands in, or leaves it to the clock, or is still writing. */
  private async sit(
    userName: string,
    sitting: string,
    from: number,
    minutes: number,
    end: 'student' | 'clock' | 'writing',
    share = 1,
  ): Promise<void> {
    const entered = must(await enterSitting(this.as(userName, from), sitting));
    const found = await findAttempt(this.out.db.read, entered.attempt, this.out.now);
    if (!found) throw new Error('The attempt just begun is not there');
    const { paper } = await paperOf(this.out.db.read, found.attempt);
    const items = paperQuestions(paper);
    const answered = items.slice(0, Math.ceil(items.length * share)).flatMap((item) => {
      const source = this.sourceOf(item.question.content);
      return source ? makeAnswers(userName, item, source, subjectOf(userName)) : [];
    });
    const made = await asShown(this.out.db.read, entered.attempt, answered);
    const device = `demo-${userName}`.padEnd(12, '-').slice(0, 40);
    for (let part = 0; part < 3; part++) {
      const at = from + ((part + 0.8) / 3) * minutes * MINUTE * 0.9;
      const entries = made
        .map((answer, i) => ({ ...answer, seq: i + 1, age: 0 }))
        .filter((_, i) => Math.floor((i * 3) / Math.max(1, made.length)) === part);
      must(await saveAnswers(this.as(userName, at), { attempt: entered.attempt, device, entries }));
    }
    if (end === 'student') must(await handIn(this.as(userName, from + minutes * MINUTE * 0.95), entered.attempt));
  }

  private sourceOf(content: unknown): DemoQuestion | undefined {
    const words = JSON.stringify(content);
    return [...this.sources.values()].find((s) => words.includes(JSON.stringify(s.body.content.content[0])));
  }

  /** Marks everything that waits in one sitting as a person would: some credit for a fair try. */
  private async markAll(sitting: string, at: number): Promise<void> {
    const ctx = this.as('mirela', at);
    for (const task of must(await listMarking(ctx)).filter((t) => t.sitting === sitting)) {
      const read = async () => must(await openDesk(ctx, sitting, task.item)).answers.filter((a) => a.marks === null);
      for (let waiting = await read(); waiting.length > 0; waiting = await read()) {
        for (const [i, { attempt, slot, of, answer }] of waiting.entries()) {
          // The same answer earns the same.
          const next = seeded(seedFor(11, answer));
          const quarters = exact(of)
            .mul(Math.floor(next() * 3))
            .div(4);
          const given = round(quarters, 2).replace(/\.?0+$/, '');
          const then = { ...ctx, now: at + i * 20_000 };
          const place = { attempt, item: task.item, slot };
          must(await giveMark(then, { ...place, marks: given || '0' }));
          if (i % 5 !== 0) continue;
          const words = 'Say what the cause is, not only what you saw.';
          must(await addRemark(then, { ...place, words, anchor: { at: 'whole' } }));
        }
      }
    }
  }

  async firstCheck(): Promise<void> {
    const day = this.out.now - 14 * DAY;
    const teacher = this.as('odalys', day - 3 * DAY);
    const exam = await this.exam(teacher, 'WT-201', 'Energy in the wind, first check', 30, '50', [
      { title: 'Energy in the wind', topics: ['Energy in the wind'], count: 8 },
      { title: 'Lift and drag', topics: ['Lift and drag'], count: 4 },
      { title: 'Short ones', topics: ['Energy in the wind'], count: 3, titles: odd.map(({ body }) => body.title) },
    ]);
    const sitting = await this.sitting(teacher, exam, 'WT-201', day, day + 2 * HOUR, 30);
    for (const [i, { userName }] of WT201.entries()) {
      await this.sit(userName, sitting, day + (i % 20) * MINUTE, 22 + (i % 8), i % 23 === 7 ? 'clock' : 'student');
    }
    await this.clock(day + 4 * HOUR);
    await this.markAll(sitting, day + DAY);
    const ctx = this.as('odalys', day + 2 * DAY);
    await setBoundaries(ctx, sitting);
    const as = (userName: string, now: number): Context => this.as(userName, now);
    await judgePassMark(as, sitting, day + 2 * DAY + HOUR);
    must(await releaseResults(ctx, { sitting, shows: { marks: true, key: true, explanation: true } }));
  }

  /** Hands in and marks what is overdue then. */
  async clock(now: number): Promise<void> {
    const out = { ...this.out, now };
    await sweep(out);
    await markWaiting(out);
  }

  async midTerm(): Promise<void> {
    const day = this.out.now - 26 * HOUR;
    const teacher = this.as('odalys', day - 5 * DAY);
    const exam = await this.exam(teacher, 'WT-201', 'Mid-term', 75, '50', [
      { title: 'First principles', topics: ['First principles', 'Energy in the wind', 'Lift and drag'], count: 7 },
      { title: 'Nacelle and drive train', topics: ['Rotor', 'Drive train'], count: 13 },
      { title: 'On site', topics: ['Site and weather', 'Safety and rescue'], count: 8 },
      { title: 'Parts and procedures', topics: ['Parts and procedures'], count: 8 },
    ]);
    const sitting = await this.sitting(teacher, exam, 'WT-201', day, day + 3 * HOUR, 75);
    for (const [i, { userName }] of WT201.entries()) {
      if (i % 29 !== 11)
        await this.sit(userName, sitting, day + (i % 12) * MINUTE, 50 + (i % 20), i % 19 === 5 ? 'clock' : 'student');
    }
    await this.clock(day + 5 * HOUR);
  }

  /** What was drawn, photographed and spoken; it waits for two markers, and one of them has begun. */
  async workshop(): Promise<void> {
    const day = this.out.now - 2 * DAY;
    const teacher = this.as('thandeka', day - DAY);
    const sections = [{ title: 'By hand and by voice', topics: [WORKSHOP], count: 6 }];
    await bringCalls(teacher);
    const exam = await this.exam(teacher, 'WT-201', 'Workshop, week 9', 40, '50', sections);
    const sitting = await this.sitting(teacher, exam, 'WT-201', day, day + 2 * HOUR, 40);
    const as = (userName: string, now: number): Context => this.as(userName, now);
    await sitWorkshop(as, sitting, day);
    await this.clock(day + 3 * HOUR);
    await markTwice(as, sitting, day + DAY);
  }

  async certificate(): Promise<void> {
    const opened = this.out.now - 25 * MINUTE;
    const teacher = this.as('jonas', opened - DAY);
    const exam = await this.exam(teacher, 'WT-110', 'Certificate', 120, '80', [
      { title: 'Harness and ladder', topics: ['Harness and ladder'], count: 5, passPercent: '60' },
      { title: 'Rescue', topics: ['Rescue'], count: 3, passPercent: '60' },
      { title: 'Step by step', topics: ['Step by step'], count: 5 },
    ]);
    const sitting = await this.sitting(teacher, exam, 'WT-110', opened, this.out.now + 3 * HOUR, 120);
    for (const [i, { userName }] of WT110.slice(0, 24).entries()) {
      const from = opened + (i % 5) * MINUTE;
      if (i < 6) await this.sit(userName, sitting, from, 18, 'student');
      else await this.sit(userName, sitting, from, 20, 'writing', 0.3 + (i % 6) / 10);
    }
  }

  /** Anybody who visits, by a link; the room is that of the young. */
  async openDay(): Promise<void> {
    const opened = this.out.now - 2 * HOUR;
    const teacher = this.as('jonas', opened - DAY);
    const exam = await this.exam(
      teacher,
      'WT-110',
      'Tower week',
      20,
      '50',
      [{ title: 'Up and down', topics: ['Open day'], count: 3 }],
      { young: { clock: false }, instructions: '' },
    );
    const course = this.get(this.installed.courses, 'WT-110');
    const when = { opensAt: opened, closesAt: this.out.now + 6 * HOUR, minutes: 20 };
    must(await scheduleSitting(teacher, { exam, course, who: 'link', ...when }));
  }

  async gradebook(): Promise<void> {
    const as = (userName: string, now: number): Context => this.as(userName, now);
    const course = this.get(this.installed.courses, 'WT-201');
    await keepGradebook(as, course, this.out.now - HOUR);
    const now = this.out.now - HOUR / 2;
    await connectStandIn(as('odalys', now), as('imre', now), course, 'WT-201');
  }

  async final(): Promise<void> {
    const day = this.out.now + 7 * DAY;
    const teacher = this.as('imre', this.out.now - 2 * DAY);
    const exam = await this.exam(teacher, 'WT-201', 'Drive train, final', 60, '50', [
      { title: 'Drive train', topics: ['Drive train'], count: 8 },
      { title: 'Electrical', topics: ['Electrical'], count: 7 },
      { title: 'Over the whole course', topics: [], count: 0, drawn: 3 },
      { title: 'Weather at sea', topics: ['Site and weather'], count: 3, subject: 'Offshore' },
    ]);
    await this.sitting(teacher, exam, 'WT-201', day, day + 2 * HOUR, 60);
  }
}
