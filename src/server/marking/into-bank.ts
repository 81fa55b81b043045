import { eq } from 'drizzle-orm';
import { ok, type Result, refuse } from '@/core/base/result';
import { changes } from '@/core/exams/amendments';
import { placements } from '@/core/exams/plan';
import { may } from '@/core/people/may';
import { openQuestion } from '../bank/open-question';
import { saveDraft } from '../bank/save-draft';
import { type Context, FORBIDDEN, NOT_FOUND } from '../context';
import { mendings } from '../db/schema/exams';
import { pinnedOf } from '../sittings/pinned';

/** Puts the rules that a mending made for single answers into the question of the bank, as a change of its draft. */
export async function takeIntoBank(ctx: Context, mendingId: string): Promise<Result<{ question: string }>> {
  if (!may(ctx.actor, 'release results', null)) return FORBIDDEN;
  const [mending] = await ctx.db.read.select().from(mendings).where(eq(mendings.id, mendingId));
  if (!mending) return NOT_FOUND;
  const { plan } = await pinnedOf(ctx.db.read, mending.sitting);
  const placed = placements(plan).find(({ item }) => item.id === mending.item)?.item;
  const found = placed ? await openQuestion(ctx, placed.question) : NOT_FOUND;
  if (!found.ok) return found;
  const { id, body, facts, version } = found.value;
  const slots = { ...body.slots };
  let added = 0;
  for (const change of changes.parse(mending.changes)) {
    const slot = change.what === 'answer' ? slots[change.slot] : undefined;
    if (change.what !== 'answer' || !slot) continue;
    const { response, share, feedback } = change;
    const others = (slot.settled ?? []).filter((one) => JSON.stringify(one.response) !== JSON.stringify(response));
    slots[change.slot] = { ...slot, settled: [{ response, share, feedback }, ...others] };
    added += 1;
  }
  if (added === 0) return refuse('nothing-for-bank');
  const saved = await saveDraft(ctx, { question: id, base: version, body: { ...body, slots }, facts });
  return saved.ok ? ok({ question: id }) : saved;
}
