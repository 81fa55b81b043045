import { z } from 'zod';

/** What on a student's screens can be worded otherwise: buttons, and how an answer or the whole came out. */
export const WORDED = [
  'begin',
  'handIn',
  'goOn',
  'later',
  'hint',
  'check',
  'again',
  'key',
  'right',
  'part',
  'wrong',
  'passed',
  'notPassed',
] as const;
export type Worded = (typeof WORDED)[number];

/** Other words for some of it; the product's own for the rest. */
export const studentWords = z.partialRecord(z.enum(WORDED), z.string().trim().min(1).max(40));
export type StudentWords = z.infer<typeof studentWords>;
