import type { Reader } from '../db/database';
import type { sittings } from '../db/schema/exams';
import type { Progress } from '../jobs/jobs';
import { type Analysis, analyse } from './analysis';
import { comparedIn, deepen, type Deepened, type Grouped } from './deeper';

/** What the parts of an analysis come to. */
interface Reckonings {
  /** Question by question, with so many answers to each slot. */
  questions: { part: { is: 'questions'; most: number }; found: Analysis };
  /** Everything beyond. */
  deeper: { part: { is: 'deeper' }; found: Deepened };
  /** The two groups of a grouping beside each other. */
  grouped: { part: { is: 'grouped'; grouping: string }; found: Grouped | null };
}

/** A part of an analysis. */
export type AnalysisPart = Reckonings[keyof Reckonings]['part'];
export type Reckoned<P extends AnalysisPart> = Reckonings[P['is']]['found'];

/** Reckons a part of the analysis of a sitting, as its results are at a moment. Says how far it is. */
export async function reckonPart(
  at: { db: { read: Reader }; now: number },
  sitting: typeof sittings.$inferSelect,
  part: AnalysisPart,
  say: (progress: Progress) => void,
): Promise<Reckoned<AnalysisPart>> {
  if (part.is === 'questions') return analyse(at, sitting, part.most, say);
  return part.is === 'deeper' ? deepen(at, sitting, say) : comparedIn(at, sitting, part.grouping);
}
