import type { Context } from '../context';
import { hasOwnWork } from '../sittings/judge-afterwards';
import { ownSittings } from '../sittings/own-sittings';
import { openOwnResult, type OwnResult } from './own-result';

/** A student's handed-in attempts, newest first, with what can be seen of them. */
export interface OwnResultRow {
  attempt: string;
  title: string;
  /** The first, the second, where there are several; null where there is one. */
  number: number | null;
  /** Why a teacher set it aside; null while it counts. */
  aside: string | null;
  course: string;
  /** There is something of one's own to judge. */
  toJudge: boolean;
  /** Null when nothing can be seen yet. */
  result: Pick<OwnResult, 'score' | 'soFar'> | null;
}

export async function listOwnResults(ctx: Context): Promise<OwnResultRow[]> {
  const rows: OwnResultRow[] = [];
  for (const { attempts, title, course } of await ownSittings(ctx)) {
    for (const { id, number, handedInAt, asideAt, asideReason } of [...attempts].reverse()) {
      if (handedInAt === null) continue;
      const aside = asideAt === null ? null : asideReason;
      const opened = aside === null ? await openOwnResult(ctx, id) : null;
      const result = opened?.ok ? opened.value : null;
      const toJudge = await hasOwnWork(ctx, id);
      rows.push({ attempt: id, title, course, toJudge, number: attempts.length > 1 ? number : null, aside, result });
    }
  }
  return rows;
}
