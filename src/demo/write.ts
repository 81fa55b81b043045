import { seedFor, shuffled } from '@/core/base/random';
import type { QuestionBody, Slot } from '@/core/bank/question';
import type { Variation } from '@/core/bank/variation';
import type { Block, Content, Inline } from '@/core/content/document';
import { typedKind } from '@/core/kinds/registry';
import { inlineFromText } from '@/core/content/lines';
import type { ChoiceSetup } from '@/core/kinds/choice/choice';
import { longAnswer, type LongAnswerSetup } from '@/core/kinds/long-answer/long-answer';
import { maths } from '@/core/kinds/maths/maths';
import type { MathsRules } from '@/core/rules/maths/rules';
import { number } from '@/core/kinds/number/number';
import { formulaWithPlaces } from '@/core/kinds/formula-with-places/formula-with-places';
import { shortText } from '@/core/kinds/short-text/short-text';
import { rulesFromKey as numberKey, type Tolerance } from '@/core/rules/number/rules';
import { DOUBTS_ALL } from '@/core/rules/text/doubts';
import type { Rubric } from '@/core/rules/rubric/rubric';
import type { TextRule } from '@/core/rules/text/rules';
import { FORGIVES_ALL } from '@/core/rules/text/words';
import type { DrawingName } from './drawings';

/** A demo question: its body (with drawings by name), where it belongs, and what students typically get wrong. */
export interface DemoQuestion {
  topic: string;
  difficulty: 1 | 2 | 3;
  demand: 'know' | 'use' | 'judge';
  body: QuestionBody;
  /** Wrong answers by slot, typed as for a trial answer. */
  slips: Record<string, string[]>;
  drawing?: { name: DrawingName; description: string; width: number };
}

interface DemoSlot {
  slot: Slot;
  slips: string[];
}

/** A line of text as the core reads it, in which [a] is slot a. */
function line(source: string): Inline[] {
  return source.split(/(\[[a-z]\])/).flatMap((part): Inline[] => {
    const slot = /^\[([a-z])\]$/.exec(part);
    return slot ? [{ type: 'inlineSlot', attrs: { id: slot[1] ?? '' } }] : inlineFromText(part);
  });
}

export function content(source: string): Content {
  const blocks = source.split('\n').map((text): Block => {
    const block = /^=([a-z])$/.exec(text);
    if (block) return { type: 'blockSlot', attrs: { id: block[1] ?? '' } };
    const display = /^\$\$(.+)\$\$$/.exec(text);
    if (display) return { type: 'blockFormula', attrs: { latex: display[1] ?? '' } };
    const inline = line(text);
    return inline.length > 0 ? { type: 'paragraph', content: inline } : { type: 'paragraph' };
  });
  return { type: 'doc', content: blocks };
}

export function choose(
  right: string | string[],
  wrong: string[],
  more: { marks?: string; fixed?: boolean; feedback?: Record<string, string> } = {},
): DemoSlot {
  const keys = Array.isArray(right) ? right : [right];
  // The right ones stand anywhere in the author's order too.
  const all = more.fixed ? [...wrong, ...keys].sort() : shuffled([...keys, ...wrong], seedFor(1, keys.join()));
  const setup: ChoiceSetup = {
    version: 1,
    options: all.map((text, i) => ({
      id: `o${i}`,
      text,
      key: keys.includes(text),
      feedback: more.feedback?.[text] ?? '',
    })),
    several: Array.isArray(right),
    scheme: 'by-part-deductions',
    shuffle: !more.fixed,
    most: null,
    look: 'list',
  };
  const letters = (texts: string[]): string => texts.map((t) => String.fromCharCode(97 + all.indexOf(t))).join(' ');
  const slips =
    keys.length > 1
      ? [letters([keys[0] ?? '', wrong[0] ?? '']), letters(keys.slice(1)), letters([...keys, wrong[0] ?? ''])]
      : wrong;
  return { slot: { kind: 'choice', marks: more.marks ?? String(keys.length), setup }, slips };
}

export function amount(
  key: string,
  slips: string[],
  more: { marks?: string; accept?: Tolerance; alternatives?: [string, string, string][]; units?: string[] } = {},
): DemoSlot {
  const rules = numberKey(key);
  const first = rules.rules[0];
  if (first && more.accept) first.accept = more.accept;
  for (const [value, share, feedback] of more.alternatives ?? []) {
    rules.rules.push({ value, accept: more.accept ?? { by: 'relative', amount: '1' }, share, feedback });
  }
  const setup = {
    ...number.fresh(),
    rules,
    unitEntry: more.units ? ('listed' as const) : ('typed' as const),
    units: more.units ?? [],
  };
  return { slot: { kind: 'number', marks: more.marks ?? '2', setup }, slips };
}

/** A place for a formula; what it is compared with may have typical slips that earn a part. */
export function formula(
  key: string,
  slips: string[],
  more: Partial<MathsRules> & { marks?: string; parts?: [key: string, share: string, feedback: string][] } = {},
): DemoSlot {
  const { marks = '2', parts = [], ...rules } = more;
  const made = maths.typed.withKey(maths.fresh(), key);
  const further = parts.map(([part, share, feedback]) => ({ key: part, form: null, share, feedback }));
  const own = { ...made.rules, ...rules, rules: [...(rules.rules ?? made.rules.rules), ...further] };
  return { slot: { kind: 'maths', marks, setup: { ...made, rules: own } }, slips };
}

/** A formula with places, written with ?(…) where something is to be filled in. */
export function filling(typed: string, slips: string[], more: { marks?: string } = {}): DemoSlot {
  return {
    slot: {
      kind: 'formulaWithPlaces',
      marks: more.marks ?? '2',
      setup: formulaWithPlaces.typed.withKey(formulaWithPlaces.fresh(), typed),
    },
    slips,
  };
}

export function words(
  rules: TextRule[] | string[],
  slips: string[],
  more: { marks?: string; otherwise?: 'waits' | 'zero'; room?: 'word' | 'line' | 'lines' } = {},
): DemoSlot {
  const own: TextRule[] = rules.every((r) => typeof r === 'string')
    ? [{ when: 'exact', answers: rules, share: '1', feedback: '' }]
    : rules.filter((r) => typeof r !== 'string');
  const setup = {
    ...shortText.fresh(),
    rules: {
      forgives: FORGIVES_ALL,
      rules: own,
      calls: [],
      doubts: DOUBTS_ALL,
      otherwise: more.otherwise ?? ('waits' as const),
      otherwiseFeedback: '',
    },
    room: more.room ?? ('line' as const),
  };
  return { slot: { kind: 'shortText', marks: more.marks ?? '1', setup }, slips };
}

/** A long answer that a person marks by a rubric; the words are only noticed. */
export function essay(
  example: string,
  slips: string[],
  more: { marks: string; least?: number; most?: number; files?: number; rubric?: Rubric; noticed?: string[] },
): DemoSlot {
  const fresh = longAnswer.fresh();
  const { marks, rubric, noticed = [] } = more;
  const groups = [{ need: 'any' as const, words: noticed, share: '1' }];
  const setup: LongAnswerSetup = {
    ...fresh,
    example,
    least: more.least ?? null,
    most: more.most ?? null,
    files: more.files ?? 0,
    rules: noticed.length > 0 ? { ...fresh.rules, rules: [{ when: 'keywords', groups, feedback: '' }] } : fresh.rules,
  };
  return { slot: { kind: 'longAnswer', marks, setup, ...(rubric ? { rubric } : {}) }, slips };
}

interface More {
  explanation?: string;
  title?: string;
  trials?: [slot: string, typed: string, expected: string][];
  vary?: Variation;
  drawing?: DemoQuestion['drawing'];
}

function typedResponse(slot: Slot | undefined, typed: string): unknown {
  if (!slot) throw new Error('A trial answer of the demo has a slot');
  return typedKind(slot.kind).typed.response(slot.setup, typed);
}

/** A question of the topic; slots by their letters in the text. */
export function question(
  topic: string,
  difficulty: 1 | 2 | 3,
  demand: 'know' | 'use' | 'judge',
  text: string,
  slots: Record<string, DemoSlot>,
  more: More = {},
): DemoQuestion {
  return {
    topic,
    difficulty,
    demand,
    body: {
      version: 3,
      title: more.title ?? '',
      content: content(text),
      slots: Object.fromEntries(Object.entries(slots).map(([id, s]) => [id, s.slot])),
      passage: null,
      total: null,
      hints: [],
      explanation: content(more.explanation ?? ''),
      notes: '',
      ...(more.vary ? { vary: more.vary } : {}),
      trials: (more.trials ?? []).map(([slot, typed, expected], i) => ({
        id: `t${i}`,
        slot,
        response: typedResponse(slots[slot]?.slot, typed),
        expected,
      })),
    },
    slips: Object.fromEntries(Object.entries(slots).map(([id, s]) => [id, s.slips])),
    ...(more.drawing ? { drawing: more.drawing } : {}),
  };
}
