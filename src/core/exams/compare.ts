import type { Exact } from '../base/exact';
import type { Lot } from './lot';
import { assemble, paperQuestions, type Pinned } from './paper';
import { minutesFor, type MinutesTaken, NONE_TAKEN } from './time-taken';

/** What is known of a question beside its body. */
export interface QuestionKnown {
  difficulty: number;
  /** The name of its topic; null when it has none. */
  topic: string | null;
}

/** One paper in figures. */
export interface PaperFigures {
  seed: number;
  questions: number;
  /** Without bonus. */
  marks: Exact;
  /** Expected minutes of work. */
  minutes: number;
  /** The mean of its questions, from 1 to 3, each by its marks; 0 for an empty paper. */
  difficulty: number;
  /** How many questions of each topic, by its name. */
  topics: ReadonlyMap<string, number>;
}

/** The papers of these lots in figures, to be held side by side. `known`: by question. */
export function comparePapers(
  pinned: Pinned,
  known: ReadonlyMap<string, QuestionKnown>,
  lots: readonly Lot[],
  taken: MinutesTaken = NONE_TAKEN,
): PaperFigures[] {
  return lots.map((lot): PaperFigures => {
    const paper = assemble(pinned, lot);
    const items = paperQuestions(paper);
    const topics = new Map<string, number>();
    let weighed = 0;
    let weight = 0;
    for (const { source, marks } of items) {
      const { difficulty, topic } = known.get(source) ?? { difficulty: 1, topic: null };
      if (topic !== null) topics.set(topic, (topics.get(topic) ?? 0) + 1);
      weighed += difficulty * marks.valueOf();
      weight += marks.valueOf();
    }
    return {
      seed: lot.seed,
      questions: items.length,
      marks: paper.marks,
      minutes: items.reduce((n, one) => n + minutesFor(one, taken), 0),
      difficulty: weight === 0 ? 0 : weighed / weight,
      topics,
    };
  });
}
