import { z } from 'zod';

/** What one student is entitled to in every sitting. */
export const provisionSchema = z.object({
  extraTimePercent: z.number().int().min(0, 'extra-percent').max(300, 'extra-percent'),
  /** Minutes on top, whatever the working time. */
  extraMinutes: z.number().int().min(0, 'minutes-range').max(600, 'minutes-range'),
  /** The room opens with large text. */
  largePrint: z.boolean(),
  /** The room reads questions aloud when asked. */
  readAloud: z.boolean(),
  /** Minutes that they may rest in all, while their time stands still. */
  breakMinutes: z.number().int().min(0, 'minutes-range').max(240, 'minutes-range'),
  /** Words that the exam explains are explained to them. */
  glosses: z.boolean(),
  /** They write in a second language: whoever marks is told. */
  secondLanguage: z.boolean(),
  /** The last moment at which it holds; null for always. */
  until: z.number().int().nullable(),
  reason: z.string().trim().max(500),
});
export type Provision = z.infer<typeof provisionSchema>;

export const NO_PROVISION: Provision = {
  extraTimePercent: 0,
  extraMinutes: 0,
  largePrint: false,
  readAloud: false,
  breakMinutes: 0,
  glosses: false,
  secondLanguage: false,
  until: null,
  reason: '',
};

/** Extra working time: percent of the working time, and minutes on top. */
export interface ExtraTime {
  percent: number;
  minutes: number;
}

export const NO_EXTRA_TIME: ExtraTime = { percent: 0, minutes: 0 };

/** Whether a provision still holds. */
export function holds({ until }: Pick<Provision, 'until'>, now: number): boolean {
  return until === null || now <= until;
}

/** Whether nothing is provided. */
export function providesNothing(provision: Omit<Provision, 'until' | 'reason'>): boolean {
  const { extraTimePercent, extraMinutes, breakMinutes, largePrint, readAloud, glosses, secondLanguage } = provision;
  const minutes = extraTimePercent + extraMinutes + breakMinutes;
  return minutes === 0 && ![largePrint, readAloud, glosses, secondLanguage].some(Boolean);
}

/** Seconds of a single question with extra time, rounded up to whole seconds. */
export function secondsWithExtraTime(seconds: number, { percent, minutes: more }: ExtraTime): number {
  return Math.ceil((seconds * (100 + percent)) / 100) + more * 60;
}

/** Working minutes with extra time, rounded up to whole minutes. */
export function withExtraTime(minutes: number, { percent, minutes: more }: ExtraTime): number {
  return Math.ceil((minutes * (100 + percent)) / 100) + more;
}
