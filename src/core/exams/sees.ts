import { z } from 'zod';

/** What students can be shown of their answers. */
export const ASPECTS = ['marks', 'right', 'key', 'explanation', 'remarks'] as const;
export type Aspect = (typeof ASPECTS)[number];

/** The moments at which it can be: as soon as an answer is checked, when all is handed in, when results are released. */
export const MOMENTS = ['at once', 'handed in', 'released', 'never'] as const;
export type Moment = (typeof MOMENTS)[number];

const moment = z.enum(MOMENTS);

/** From when on students see what of their answers. */
export const seesSchema = z.object({
  marks: moment,
  /** Whether it was right, partly right or not. */
  right: moment,
  key: moment,
  explanation: moment,
  /** What markers and rules said to the answer. */
  remarks: moment,
});
export type Sees = z.infer<typeof seesSchema>;

/** Everything when results are released. */
export const ON_RELEASE: Sees = {
  marks: 'released',
  right: 'released',
  key: 'released',
  explanation: 'released',
  remarks: 'released',
};

/** What can be seen at one time. */
export type Visible = Readonly<Record<Aspect, boolean>>;

export const EVERYTHING: Visible = { marks: true, right: true, key: true, explanation: true, remarks: true };
export const NOTHING: Visible = { marks: false, right: false, key: false, explanation: false, remarks: false };

/** What an exam lets students see at a moment: once an answer is checked, once all is handed in, once results are released. */
export function seenAt(sees: Sees, now: Exclude<Moment, 'never'>): Visible {
  const latest = MOMENTS.indexOf(now);
  const seen = ASPECTS.map((aspect) => [aspect, MOMENTS.indexOf(sees[aspect]) <= latest]);
  return Object.fromEntries(seen) as Visible;
}

export const seesAnything = (visible: Visible): boolean => ASPECTS.some((aspect) => visible[aspect]);

/** What is told of both. */
export const both = (one: Visible, other: Visible): Visible =>
  Object.fromEntries(ASPECTS.map((aspect) => [aspect, one[aspect] || other[aspect]])) as Visible;
