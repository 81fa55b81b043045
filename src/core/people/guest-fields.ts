import { z } from 'zod';
import { readAddress } from './message';

/** Something that a guest is asked for besides the name. */
export const guestField = z.object({
  label: z.string().trim().min(1).max(60),
  /** An e-mail address, or whatever is typed. */
  is: z.enum(['text', 'email']),
  required: z.boolean(),
});
export type GuestField = z.infer<typeof guestField>;

export const guestFields = z
  .array(guestField)
  .max(6)
  .refine((fields) => new Set(fields.map(({ label }) => label.toLowerCase())).size === fields.length, 'fields-twice');

const MOST_SAID = 200;

/** What a guest said, field by field; or the first field that is missing or cannot be right, with the reason. */
export function readSaid(
  fields: readonly GuestField[],
  said: readonly string[],
): { said: Record<string, string> } | { wrong: number; why: 'field-missing' | 'email-odd' } {
  const kept: Record<string, string> = {};
  for (const [i, { label, is, required }] of fields.entries()) {
    const text = (said[i] ?? '').replace(/\s+/g, ' ').trim().slice(0, MOST_SAID);
    if (text === '' && required) return { wrong: i, why: 'field-missing' };
    if (text !== '' && is === 'email' && readAddress(text) === null) return { wrong: i, why: 'email-odd' };
    if (text !== '') kept[label] = text;
  }
  return { said: kept };
}
