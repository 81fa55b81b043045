import { z } from 'zod';
import { shareText } from '../../base/exact';
import { isJoined, phrase, type Wording, wording } from './wordings';

const wordings = z.array(wording).max(60).default([]);

/** One line of a marking scheme: what it is worth, what is accepted for it, half accepted, refused, and when it counts. */
export const point = z.object({
  /** Its name among the points of the rule, for conditions. */
  id: z.string().min(1).max(20),
  /** What markers call it; where it is empty, its first wording. */
  name: z.string().max(120).default(''),
  share: shareText,
  accept: wordings,
  /** Earns half of the share. */
  half: wordings,
  /** Takes this point, and no other. Denied, or within what is accepted, it takes nothing. */
  refuse: wordings,
  /** Whether it has to be said, has to be denied, or either. */
  polarity: z.enum(['said', 'denied', 'either']).default('said'),
  /** Counts only where this other point is met. */
  onlyIf: z.string().max(20).nullable().default(null),
  /** Counts only in what stands under one of these words, up to the next heading of the rule. */
  under: z.array(phrase).max(20).default([]),
});
export type Point = z.infer<typeof point>;

/** Points that count together. */
export const pointSet = z.object({
  points: z.array(point).min(1).max(60),
  /** Nothing counts before so many of them are met; "all" of them, or 1. */
  least: z.union([z.literal('all'), z.number().int().min(1).max(60)]).default(1),
  /** At most so many count; null for all. */
  most: z.number().int().min(1).max(60).nullable().default(null),
  /** Which of them count then: the best, or those named first. */
  which: z.enum(['best', 'first']).default('best'),
  /** Whether a place in the answer counts for one of them only. */
  apart: z.boolean().default(false),
  /** Where more is named than can count: each of these takes one away. */
  wrong: wordings,
});
export type PointSet = z.infer<typeof pointSet>;

export const pointsRule = z.object({
  when: z.literal('points'),
  sets: z.array(pointSet).min(1).max(12),
  /** Where one of these stands, undenied, the rule does not hold. */
  refuse: wordings,
  /** All points together earn at most this. */
  most: shareText.optional(),
  feedback: z.string().max(1000).default(''),
});
export type PointsRule = z.infer<typeof pointsRule>;

/** A fresh point: one of these words. */
export function pointOf(id: string, accept: readonly Wording[], share = '1'): Point {
  return { id, name: '', share, accept: [...accept], half: [], refuse: [], polarity: 'said', onlyIf: null, under: [] };
}

/** Points that count each by itself. */
export function setOf(points: readonly Point[]): PointSet {
  return { points: [...points], least: 1, most: null, which: 'best', apart: false, wrong: [] };
}

export const pointsIn = ({ sets }: PointsRule): Point[] => sets.flatMap(({ points }) => points);

/** The one point of a rule that is nothing but "any of these words"; null where more is said. */
export function simplePoint({ sets, refuse }: PointsRule): Point | null {
  const [only, ...others] = sets.flatMap(({ points }) => points);
  if (!only || others.length + refuse.length > 0) return null;
  const { half, refuse: taken, under, polarity, onlyIf } = only;
  return half.length + taken.length + under.length === 0 && polarity === 'said' && onlyIf === null ? only : null;
}

/** Every wording of a rule, refused ones too. */
export function wordingsIn(rule: PointsRule): Wording[] {
  const own = rule.sets.flatMap(({ points, wrong }) => [
    ...points.flatMap(({ accept, half, refuse, under }) => [...accept, ...half, ...refuse, ...under]),
    ...wrong,
  ]);
  return [...own, ...rule.refuse];
}

/** How a wording is called in one line. */
export function wordingLabel(one: Wording): string {
  if (typeof one === 'string') return one;
  return isJoined(one) ? one.parts.map(([first]) => first).join(' … ') : one.pattern;
}

export const pointLabel = ({ name, accept, id }: Point): string =>
  name || (accept[0] === undefined ? id.replace(/^p(?=\d+$)/, 'point ') : wordingLabel(accept[0]));
