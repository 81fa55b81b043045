import { z } from 'zod';
import type { AnswerEntry } from '@/core/sittings/attempt';
import { authoredResponse } from '@/core/bank/own-names';
import { type Lot, placementsMet } from '@/core/exams/lot';
import { placements, revisionKey } from '@/core/exams/plan';
import { kindOf } from '@/core/kinds/registry';
import { storedResponse } from '@/core/kinds/response';
import type { Reader } from '../db/database';
import type { AttemptRow } from './attempts';
import { heldFiles } from './handed-files';
import { asHeard } from './heard';
import { ownNames } from './own-names';
import { placedIn } from './pinned';
import { closedIn } from './practice';

const aboutWhole = z.object({ later: z.boolean() });

/** What an entry says, and when the files that it names began to come. */
interface Accepted {
  value: unknown;
  filesBegun: number[];
}

/**
 * What entries say, by their numbers: read by the slot that they are for, and without anything else that was sent. An
 * entry is missing when it is no answer to its place on this paper, or names a file that did not come with this attempt.
 */
export async function acceptedValues(
  read: Reader,
  { id, sitting, secret, ...lot }: Pick<AttemptRow, 'id' | 'sitting' | 'secret' | keyof Lot>,
  entries: readonly AnswerEntry[],
): Promise<ReadonlyMap<number, Accepted>> {
  const { plan, revisions } = await placedIn(read, sitting);
  const met = placementsMet({ plan, revisions }, lot);
  const closed = await closedIn(read, id, plan.practice);
  const items = new Map(placements(plan).flatMap(({ item }) => (met.has(item.id) ? [[item.id, item]] : [])));
  const accepted = new Map<number, Accepted>();
  let held: ReadonlyMap<string, number> | null = null;
  for (const { seq, item: itemId, slot: slotId, value } of entries) {
    const item = items.get(itemId);
    if (!item || (slotId !== null && closed.has(itemId))) continue;
    if (slotId === null) {
      const whole = aboutWhole.safeParse(value);
      if (whole.success) accepted.set(seq, { value: whole.data, filesBegun: [] });
      continue;
    }
    const question = revisions.get(revisionKey(item.question, item.revision));
    const slot = question && Object.hasOwn(question.slots, slotId) ? question.slots[slotId] : undefined;
    if (!question || !slot) continue;
    const kind = kindOf(slot.kind);
    const given = authoredResponse(question, slotId, value, ownNames(secret, itemId));
    if (!given || !kind.accepts(slot.setup, given.response)) continue;
    const files = kind.files?.of(given.response) ?? [];
    if (files.length > 0) held ??= await heldFiles(read, id);
    if (!files.every((file) => file.attempt === id && held?.has(file.hash))) continue;
    const filesBegun = files.map(({ hash }) => held?.get(hash) ?? 0);
    const response = kind.spoken
      ? await asHeard(read, id, { item: itemId, slot: slotId }, kind.spoken, given.response)
      : given.response;
    accepted.set(seq, { value: storedResponse(kind, response), filesBegun });
  }
  return accepted;
}
