import { and, asc, eq } from 'drizzle-orm';
import { ok, type Result } from '@/core/base/result';
import type { GuestField } from '@/core/people/guest-fields';
import { type DoorState, doorState } from '@/core/sittings/entry';
import type { SignedIn } from '../auth/sessions';
import { NOT_FOUND, type Outside } from '../context';
import { attempts } from '../db/schema/attempts';
import { sittings } from '../db/schema/exams';
import { readDepartment } from '../people/policy';
import { type HowItRuns, howItRuns } from './before';
import { nextTryIn } from './enter';
import { participantIn } from '../people/participants';

/** What whoever has the link of a sitting is told, before anything is asked. */
export interface SittingByLink {
  id: string;
  title: string;
  department: string;
  institute: string;
  how: HowItRuns;
  opensAt: number;
  closesAt: number;
  state: DoorState;
  /** It opens when a teacher says so. */
  byHand: boolean;
  coded: boolean;
  /** What guests are asked for besides their name. */
  guestFields: GuestField[];
  /** The attempt of whoever is signed in: the last of them. */
  attempt: { id: string; handedInAt: number | null } | null;
  /** The attempt that they may begin after it, by its number; null when there is none. */
  again: number | null;
  /** Whoever is signed in takes part as themselves; null when nobody is, or when they do not. */
  as: string | null;
}

/** A sitting that is open to whoever has its link; nothing is told of any other. */
export async function sittingByLink(out: Outside, id: string, actor: SignedIn | null): Promise<Result<SittingByLink>> {
  const { read } = out.db;
  const [row] = await read.select().from(sittings).where(eq(sittings.id, id));
  if (!row || row.who !== 'link') return NOT_FOUND;
  const { name: department, institute } = await readDepartment(read);
  const participant = actor && (await participantIn(read, id, actor.id));
  const begun = participant
    ? await read
        .select()
        .from(attempts)
        .where(and(eq(attempts.sitting, id), eq(attempts.participant, participant.id)))
        .orderBy(asc(attempts.startedAt))
    : [];
  const attempt = begun.filter(({ asideAt }) => asideAt === null).at(-1);
  const next = nextTryIn(begun, row, out.now);
  return ok({
    id,
    title: row.title,
    department,
    institute,
    how: await howItRuns(read, row),
    opensAt: row.opensAt,
    closesAt: row.closesAt,
    state: doorState(row, out.now),
    byHand: row.byHand,
    coded: row.code !== null,
    guestFields: row.guestFields,
    attempt: attempt ? { id: attempt.id, handedInAt: attempt.handedInAt } : null,
    again: attempt && next.is === 'new' ? next.number : null,
    as: participant ? (actor?.name ?? '') : null,
  });
}
