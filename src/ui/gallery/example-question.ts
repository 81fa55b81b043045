import { emptyQuestion, type QuestionBody } from '@/core/bank/question';
import { inlineFromText } from '@/core/content/lines';
import { kindOf } from '@/core/kinds/registry';
import type { Conventions } from '@/core/rules/maths/rules';
import type { KindPreset } from '../kinds/editors';

/** The example of a preset as a question, worth two marks. */
export function exampleQuestion({ kind, setup, example }: KindPreset, conventions?: Conventions): QuestionBody {
  const { fresh, placement } = kindOf(kind);
  const id = 'a';
  const asks = inlineFromText(example.asks);
  const content =
    placement === 'block'
      ? [
          { type: 'paragraph' as const, content: asks },
          { type: 'blockSlot' as const, attrs: { id } },
        ]
      : [
          {
            type: 'paragraph' as const,
            content: [...asks, { type: 'text' as const, text: ' ' }, { type: 'inlineSlot' as const, attrs: { id } }],
          },
        ];
  return {
    ...emptyQuestion,
    content: { type: 'doc', content },
    slots: { [id]: { kind, marks: '2', setup: example.setup(setup(fresh(conventions))) } },
  };
}
