import { eq } from 'drizzle-orm';
import { z } from 'zod';
import { percentText, ROUNDING_MODES } from '@/core/base/exact';
import { ok, type Result } from '@/core/base/result';
import { contentFromText } from '@/core/content/written';
import { blueprintRow } from '@/core/exams/plan';
import { studentWords } from '@/core/exams/student-words';
import { may } from '@/core/people/may';
import { CONVENTIONS, conventions } from '@/core/rules/maths/rules';
import { lateRuleSchema, USUAL_LATE_RULE } from '@/core/sittings/late';
import { feedbackRange, gradeStep } from '@/core/results/policy';
import { type Context, FORBIDDEN, parse } from '../context';
import type { Reader } from '../db/database';
import { departments } from '../db/schema/people';

/** What the department has agreed on; defaults that an exam may change. */
const policySchema = z.object({
  passPercent: percentText,
  grades: z.array(gradeStep).max(20),
  ranges: z.array(feedbackRange).min(1).max(12),
  rounding: z.object({ mode: z.enum(ROUNDING_MODES), places: z.number().int().min(0).max(4), first: z.boolean() }),
  namesHidden: z.boolean(),
  /** How fresh slots for mathematics read what can be read in two ways. */
  conventions: conventions.default(CONVENTIONS),
  /** Words on the student's screens. */
  words: studentWords.default({}),
  /** What handing in late costs, where a sitting has a due time and nothing else is said. */
  late: lateRuleSchema.nullable().default(USUAL_LATE_RULE),
  /** The marks that its exams should have, topics × demand. */
  blueprint: z.array(blueprintRow).max(200).default([]),
  /** Hosts whose web pages may stand in sheets. */
  pages: z
    .array(
      z
        .string()
        .trim()
        .toLowerCase()
        .regex(/^([a-z0-9-]+\.)+[a-z]{2,}$/, 'host'),
    )
    .max(100)
    .default([]),
});
export type DepartmentPolicy = z.infer<typeof policySchema>;

/** What a department begins with. The scale is common practice, no source. */
export const FIRST_POLICY: DepartmentPolicy = {
  passPercent: '50',
  grades: [
    { from: '0', grade: 'F' },
    { from: '35', grade: 'E' },
    { from: '50', grade: 'D' },
    { from: '60', grade: 'C' },
    { from: '70', grade: 'B' },
    { from: '85', grade: 'A' },
  ],
  ranges: [
    { from: '0', text: contentFromText('Not passed: [score] of [total].') },
    { from: '50', text: contentFromText('Passed with [score] of [total].') },
  ],
  rounding: { mode: 'half_up', places: 1, first: false },
  namesHidden: true,
  words: {},
  late: USUAL_LATE_RULE,
  conventions: CONVENTIONS,
  blueprint: [],
  pages: [],
};

/** What a department is called. */
export const departmentNames = z.object({
  name: z.string().trim().min(1, 'name-empty').max(80, 'name-long'),
  institute: z.string().trim().max(80, 'name-long'),
});

export interface Department {
  name: string;
  institute: string;
  policy: DepartmentPolicy;
}

export const DEPARTMENT_ID = 'department';

/** Null until one is set up. */
export async function findDepartment(read: Reader): Promise<Department | null> {
  const [row] = await read.select().from(departments).where(eq(departments.id, DEPARTMENT_ID));
  return row ? { name: row.name, institute: row.institute, policy: policySchema.parse(row.policy) } : null;
}

/** The department, for whatever somebody of it asks for. */
export async function readDepartment(read: Reader): Promise<Department> {
  const department = await findDepartment(read);
  if (!department) throw new Error('No department is set up in this database');
  return department;
}

export async function setPolicy(ctx: Context, input: unknown): Promise<Result<null>> {
  const policy = parse(policySchema, input);
  if (!policy.ok) return policy;
  if (!may(ctx.actor, 'set policy', null)) return FORBIDDEN;
  await ctx.db.transaction(async (tx) => {
    await tx.update(departments).set({ policy: policy.value }).where(eq(departments.id, DEPARTMENT_ID));
  });
  return ok();
}

/** Gives the department and its institute other names; certificates, invitations and prints show them from now on. */
export async function nameDepartment(ctx: Context, raw: unknown): Promise<Result<null>> {
  const names = parse(departmentNames, raw);
  if (!names.ok) return names;
  if (!may(ctx.actor, 'set policy', null)) return FORBIDDEN;
  await ctx.db.transaction(async (tx) => {
    await tx.update(departments).set(names.value).where(eq(departments.id, DEPARTMENT_ID));
  });
  return ok();
}

/** What exams should have from now on, when they ask for the department's blueprint. */
export async function setBlueprint(ctx: Context, rows: unknown): Promise<Result<null>> {
  const { policy } = await readDepartment(ctx.db.read);
  return setPolicy(ctx, { ...policy, blueprint: rows });
}
