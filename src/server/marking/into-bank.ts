import { eq } from 'drizzle-orm';
import type { Slot } from '@/core/bank/question';
import { type GivenWording, withWordings } from '@/core/bank/worded';
import { ok, type Result, refuse } from '@/core/base/result';
import { sameValue } from '@/core/base/same-value';
import { changes } from '@/core/exams/amendments';
import { placements } from '@/core/exams/plan';
import type { SettledAnswer } from '@/core/rules/settled';
import { openQuestion } from '../bank/open-question';
import { saveDraft } from '../bank/save-draft';
import { type Context, NOT_FOUND } from '../context';
import { inSitting } from '../people/courses';
import { mendings } from '../db/schema/marks';
import { pinnedOf } from '../sittings/pinned';

/** Puts the rules that a mending made for single answers, and the wordings that it gave to points, into the question of the bank, as a change of its draft. */
export function takeIntoBank(ctx: Context, mending: string): Promise<Result<{ question: string }>> {
  const first = (settled: SettledAnswer[], one: SettledAnswer): SettledAnswer[] => [
    one,
    ...settled.filter((other) => !sameValue(other.response, one.response)),
  ];
  return changeInBank(ctx, mending, first, (slot, given) => withWordings(slot, [given]));
}

/** Takes them out of it again, those that nobody has changed since. */
export function takeOutOfBank(ctx: Context, mending: string): Promise<Result<{ question: string }>> {
  return changeInBank(ctx, mending, (settled, one) => settled.filter((other) => !sameValue(other, one)));
}

/** Changes the answers of a question of the bank that were decided one by one, for each that a mending decided. */
async function changeInBank(
  ctx: Context,
  mendingId: string,
  change: (settled: SettledAnswer[], one: SettledAnswer) => SettledAnswer[],
  give: (slot: Slot, given: GivenWording) => Slot = (slot) => slot,
): Promise<Result<{ question: string }>> {
  const [mending] = await ctx.db.read.select().from(mendings).where(eq(mendings.id, mendingId));
  if (!mending) return NOT_FOUND;
  const allowed = await inSitting(ctx, 'release results', mending.sitting);
  if (!allowed.ok) return allowed;
  const { plan } = await pinnedOf(ctx.db.read, mending.sitting);
  const placed = placements(plan).find(({ item }) => item.id === mending.item)?.item;
  const found = placed ? await openQuestion(ctx, placed.question) : NOT_FOUND;
  if (!found.ok) return found;
  const { id, body, facts, version } = found.value;
  const slots = { ...body.slots };
  for (const made of changes.parse(mending.changes)) {
    if (made.what !== 'answer' && made.what !== 'wording') continue;
    const slot = slots[made.slot];
    if (!slot) continue;
    if (made.what === 'wording') slots[made.slot] = give(slot, made);
    else {
      const { response, share, feedback } = made;
      slots[made.slot] = withSettled(slot, change(slot.settled ?? [], { response, share, feedback }));
    }
  }
  if (sameValue(slots, body.slots)) return refuse('nothing-for-bank');
  const saved = await saveDraft(ctx, { question: id, base: version, body: { ...body, slots }, facts });
  return saved.ok ? ok({ question: id }) : saved;
}

function withSettled({ settled: _, ...slot }: Slot, settled: SettledAnswer[]): Slot {
  return settled.length > 0 ? { ...slot, settled } : slot;
}
