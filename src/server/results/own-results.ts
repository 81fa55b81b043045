import type { Context } from '../context';
import { ownSittings } from '../sittings/list-sittings';
import { openOwnResult, type OwnResult } from './own-result';

/** A student's handed-in attempts, newest first; with the score when it is released. */
export interface OwnResultRow {
  attempt: string;
  title: string;
  course: string;
  result: Pick<OwnResult, 'marks' | 'of' | 'percent' | 'passed'> | null;
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
