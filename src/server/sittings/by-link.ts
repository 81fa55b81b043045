import { and, eq } from 'drizzle-orm';
import { ok, type Result } from '@/core/base/result';
import { type DoorState, doorState } from '@/core/sittings/entry';
import type { SignedIn } from '../auth/sessions';
import { NOT_FOUND, type Outside } from '../context';
import { attempts, sittings } from '../db/schema/exams';
import { readDepartment } from '../people/policy';
import { participantIn } from '../people/participants';

/** What whoever has the link of a sitting is told, before anything is asked. */
export interface SittingByLink {
  id: string;
  title: string;
  department: string;
  institute: string;
  minutes: number;
  opensAt: number;
  closesAt: number;
  state: DoorState;
  coded: boolean;
  /** The attempt of whoever is signed in. */
  attempt: { id: string; handedInAt: number | null } | null;
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
  const [attempt] = participant
    ? await read
        .select({ id: attempts.id, handedInAt: attempts.handedInAt })
        .from(attempts)
        .where(and(eq(attempts.sitting, id), eq(attempts.participant, participant.id)))
    : [];
  return ok({
    id,
    title: row.title,
    department,
    institute,
    minutes: row.minutes,
    opensAt: row.opensAt,
    closesAt: row.closesAt,
    state: doorState(row, out.now),
    coded: row.code !== null,
    attempt: attempt ?? null,
    as: participant ? (actor?.name ?? '') : null,
  });
}
