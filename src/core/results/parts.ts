import { z } from 'zod';

const id = z.string().min(1).max(200);
const title = z.string().trim().min(1).max(200);

/**
 * A part of a paper besides its sections. A topic names its questions, so that moving a question in the bank changes no
 * result; a criterion of a rubric is one line of what was judged.
 */
export const partSchema = z.discriminatedUnion('is', [
  z.object({ is: z.literal('topic'), id, title, items: z.array(id).min(1).max(2000) }),
  z.object({ is: z.literal('criterion'), id, title, item: id, slot: id, criterion: id }),
]);
export type Part = z.infer<typeof partSchema>;
