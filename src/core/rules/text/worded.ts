import type { TextRules } from './rules';
import {
  type ClassAnswer,
  giveToPoint,
  namedPoints,
  type NamedPoint,
  type Piece,
  piecesOf,
  type UnreadPhrase,
  unreadPhrases,
} from './unread';

/** What a kind that holds text rules knows of their points, for every setup and response with a text. */
export function wordedBy<Setup extends { rules: TextRules }, Response extends { text: string }>() {
  return {
    points: ({ rules }: Setup): NamedPoint[] => namedPoints(rules),
    pieces: ({ rules }: Setup, { text }: Response, asked?: string): Piece[] => piecesOf(rules, text, asked),
    unread: (
      { rules }: Setup,
      answers: readonly (Omit<ClassAnswer, 'text'> & { response: Response })[],
      asked?: string,
    ): UnreadPhrase[] =>
      unreadPhrases(
        rules,
        answers.map(({ response, ...one }) => ({ ...one, text: response.text })),
        asked,
      ),
    give: (setup: Setup, point: string, wording: string): Setup => ({
      ...setup,
      rules: giveToPoint(setup.rules, point, wording),
    }),
  };
}
