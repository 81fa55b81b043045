import type { QuestionBody } from '@/core/bank/question';
import { pageAllowed, pagesIn } from '@/core/content/pages';
import type { Reader } from '../db/database';
import { readDepartment } from '../people/policy';

/** A page in these questions that the department does not allow; null when there is none. */
export async function pageNotAllowed(read: Reader, bodies: readonly QuestionBody[]): Promise<string | null> {
  const parts = bodies.flatMap(({ content, explanation, passage }) => [
    content,
    explanation,
    ...(passage ? [passage.content] : []),
  ]);
  const addresses = parts.flatMap(pagesIn);
  if (addresses.length === 0) return null;
  const { pages } = (await readDepartment(read)).policy;
  return addresses.find((address) => !pageAllowed(address, pages)) ?? null;
}
