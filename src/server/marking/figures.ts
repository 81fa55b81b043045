import { and, eq, isNotNull } from 'drizzle-orm';
import { z } from 'zod';
import { ok, type Result } from '@/core/base/result';
import type { Anchor } from '@/core/content/anchors';
import { paperQuestions } from '@/core/exams/paper';
import type { Figure } from '@/core/kinds/contract';
import { kindOf } from '@/core/kinds/registry';
import { readResponse } from '@/core/kinds/response';
import { type Context, parse } from '../context';
import { attempts } from '../db/schema/attempts';
import { sittings } from '../db/schema/exams';
import { remarks } from '../db/schema/marks';
import { sittingsFor } from '../people/courses';
import { COUNTS, currentAnswers } from '../sittings/attempts';
import { paperOf } from '../sittings/pinned';
import { attemptToMark } from './attempt-to-mark';
import { probesIn } from './probes';

/** What one answer of a student came to, and when it was handed in. */
export interface FigureAt extends Figure {
  at: number;
  /** It is that of the answer that is looked at. */
  here: boolean;
}

const asked = z.object({ attempt: z.string(), item: z.string(), slot: z.string() });

/** What answers of whoever wrote an attempt came to over time, in the sittings in which the actor marks; nothing of who it is. */
export async function figuresOverTime(ctx: Context, raw: unknown): Promise<Result<FigureAt[]>> {
  const parsed = parse(asked, raw);
  if (!parsed.ok) return parsed;
  const { attempt, item, slot } = parsed.value;
  const found = await attemptToMark(ctx, attempt);
  if (!found.ok) return found;
  const { read } = ctx.db;
  const marked = await read
    .select({
      attempt: remarks.attempt,
      item: remarks.item,
      slot: remarks.slot,
      anchor: remarks.anchor,
      by: remarks.by,
      sitting: attempts.sitting,
    })
    .from(remarks)
    .innerJoin(attempts, and(eq(attempts.id, remarks.attempt), COUNTS))
    .innerJoin(sittings, and(eq(sittings.id, attempts.sitting), await sittingsFor(ctx, 'mark answers')))
    .where(and(eq(attempts.participant, found.value.attempt.participant), isNotNull(attempts.handedInAt)));
  const places = new Map<string, { attempt: string; item: string; slot: string; anchors: Anchor[] }>();
  const probes = new Map<string, Awaited<ReturnType<typeof probesIn>>>();
  for (const { anchor, by, sitting, ...place } of marked) {
    const isProbe = probes.get(sitting) ?? (await probesIn(ctx, sitting));
    probes.set(sitting, isProbe);
    // What others heard in a script that was marked beforehand is not to be known.
    if (isProbe({ attempt: place.attempt, by })) continue;
    const key = `${place.attempt} ${place.item} ${place.slot}`;
    const one = places.get(key) ?? { ...place, anchors: [] };
    one.anchors.push(anchor);
    places.set(key, one);
  }
  const figures: FigureAt[] = [];
  for (const place of places.values()) {
    const other = await attemptToMark(ctx, place.attempt);
    const handedInAt = other.ok ? other.value.state.handedInAt : null;
    if (!other.ok || handedInAt === null) continue;
    const { paper } = await paperOf(read, other.value.attempt);
    const asks = paperQuestions(paper).find(({ id }) => id === place.item)?.question.slots[place.slot];
    const kind = asks && kindOf(asks.kind);
    const given = kind && readResponse(kind, (await currentAnswers(read, place.attempt))[place.item]?.[place.slot]);
    const figure = asks && given && kind.judged?.figure?.(asks.setup, given.response, place.anchors);
    const here = place.attempt === attempt && place.item === item && place.slot === slot;
    if (figure) figures.push({ ...figure, at: handedInAt, here });
  }
  return ok(figures.sort((a, b) => a.at - b.at));
}
