import { seedFor, shuffled } from '../base/random';
import type { Pinned } from './paper';
import { type ExamPlan, type Placement, revisionKey, type Section } from './plan';

/** What has fallen to one attempt, and makes its paper out of the plan. */
export interface Lot {
  /** Of draws, shuffles and values. */
  seed: number;
  /** Ids of sections that are for others. */
  without: readonly string[];
}

/** The lot of whoever has every section. */
export function ofSeed(seed: number): Lot {
  return { seed, without: [] };
}

/** The sections of a lot. */
export function sectionsOf(plan: ExamPlan, { without }: Pick<Lot, 'without'>): Section[] {
  return without.length === 0 ? plan.sections : plan.sections.filter(({ id }) => !without.includes(id));
}

/** The placements of a section that the paper of a seed has, in their order on it. */
export function met(
  { plan, revisions }: Pick<Pinned, 'plan' | 'revisions'>,
  section: Section,
  seed: number,
): Placement[] {
  const passageOf = ({ question, revision }: Placement): string | undefined =>
    plan.keepPassages ? revisions.get(revisionKey(question, revision))?.passage?.id : undefined;
  const places = new Map(section.items.map((item) => [item.id, item]));
  const drawn = new Set<string>();
  const left = new Set<string>();
  for (const { id, take, items } of section.draws) {
    const from = items.flatMap((item) => places.get(item) ?? []);
    const lucky = drawUnits(shuffled(unitsOf(from, passageOf), seedFor(seed, id)), take);
    for (const item of from) {
      drawn.add(item.id);
      if (!lucky.has(item)) left.add(item.id);
    }
  }
  const mine = section.items.filter(({ id }) => !left.has(id));
  if (section.shuffleQuestions) return shuffled(unitsOf(mine, passageOf), seedFor(seed, section.id)).flat();
  // What an author has ordered stays so; what was found stands in no order of its own.
  return unitsOf(mine, (item) => (drawn.has(item.id) ? passageOf(item) : undefined)).flat();
}

/** The ids of the placements that the paper of a lot has. */
export function placementsMet(pinned: Pick<Pinned, 'plan' | 'revisions'>, lot: Lot): ReadonlySet<string> {
  return new Set(sectionsOf(pinned.plan, lot).flatMap((section) => met(pinned, section, lot.seed).map(({ id }) => id)));
}

/** Placements that stay together: a question with its parts, and all that is asked about one passage. */
function unitsOf(items: readonly Placement[], passageOf: (item: Placement) => string | undefined): Placement[][] {
  const units: Placement[][] = [];
  const about = new Map<string, Placement[]>();
  let last: Placement[] | undefined;
  for (const item of items) {
    const passage = passageOf(item);
    const known = (item.part ? last : undefined) ?? (passage === undefined ? undefined : about.get(passage));
    const unit = known ?? [];
    if (!known) units.push(unit);
    unit.push(item);
    if (passage !== undefined) about.set(passage, unit);
    last = unit;
  }
  return units;
}

/** So many questions, of the first units as far as whole units make up the number; else the last unit is parted. */
function drawUnits(units: readonly Placement[][], take: number): ReadonlySet<Placement> {
  const fills = exactFills(units, take);
  const lucky = new Set<Placement>();
  units.forEach((unit, i) => {
    const left = take - lucky.size - unit.length;
    if (left >= 0 && (fills[i + 1]?.has(left) ?? false)) for (const item of unit) lucky.add(item);
  });
  for (const item of units.flat()) {
    if (lucky.size >= take) break;
    lucky.add(item);
  }
  return lucky;
}

/** For each place in the row of units: the numbers of questions, up to `most`, that whole units from there on can make up. */
function exactFills(units: readonly Placement[][], most: number): ReadonlySet<number>[] {
  const fills: Set<number>[] = [new Set([0])];
  for (const { length } of units.toReversed()) {
    const later = fills[0] ?? new Set<number>();
    fills.unshift(new Set([...later, ...[...later].map((n) => n + length).filter((n) => n <= most)]));
  }
  return fills;
}
