import type { Context } from '../context';
import { ownSittings } from '../sittings/list-sittings';
import { openOwnResult, type OwnResult } from './own-result';

/** A student's handed-in attempts, newest first, with what can be seen of them. */
export interface OwnResultRow {
  attempt: string;
  title: string;
  course: string;
  /** Null when nothing can be seen yet. */
  result: Pick<OwnResult, 'score' | 'soFar'> | null;
}

export async function listOwnResults(ctx: Context): Promise<OwnResultRow[]> {
  const rows: OwnResultRow[] = [];
  for (const { attempt, title, course } of await ownSittings(ctx)) {
    if (!attempt || attempt.handedInAt === null) continue;
    const opened = await openOwnResult(ctx, attempt.id);
    rows.push({ attempt: attempt.id, title, course, result: opened.ok ? opened.value : null });
  }
  return rows;
}
