import { createHash } from 'node:crypto';
import { seedFor, shuffled } from '@/core/base/random';
import type { QuestionBody, Slot } from '@/core/bank/question';
import type { Variation } from '@/core/bank/variation';
import type { Block, Content, Inline } from '@/core/content/document';
import { kindOf, typedKind } from '@/core/kinds/registry';
import { inlineFromText } from '@/core/content/lines';
import type { ChoiceSetup } from '@/core/kinds/choice/choice';
import { storedResponse } from '@/core/kinds/response';
import { inReadingOrder, linedUp, lineFor } from '@/core/content/board';
import { label, type LabelSetup } from '@/core/kinds/label/label';
import { longAnswer, type LongAnswerSetup } from '@/core/kinds/long-answer/long-answer';
import { type Gap, gaps, type GapsSetup } from '@/core/kinds/gaps/gaps';
import { match } from '@/core/kinds/match/match';
import { maths } from '@/core/kinds/maths/maths';
import type { MathsRules } from '@/core/rules/maths/rules';
import { number } from '@/core/kinds/number/number';
import { formulaWithPlaces } from '@/core/kinds/formula-with-places/formula-with-places';
import { menu, withWords } from '@/core/kinds/menu/menu';
import { order, type OrderSetup } from '@/core/kinds/order/order';
import { select, type SelectSetup } from '@/core/kinds/select/select';
import { resplit, type UnitSize } from '@/core/kinds/select/units';
import { shortText } from '@/core/kinds/short-text/short-text';
import { sort, type SortSetup } from '@/core/kinds/sort/sort';
import type { Area } from '@/core/kinds/spots/areas';
import { spots, type SpotsSetup } from '@/core/kinds/spots/spots';
import { rulesFromKey as numberKey, type Tolerance } from '@/core/rules/number/rules';
import { type Point, pointOf, setOf } from '@/core/rules/text/points';
import type { Rubric } from '@/core/rules/rubric/rubric';
import { rulesFromKey, type TextRule } from '@/core/rules/text/rules';
import type { Wording } from '@/core/rules/text/wordings';
import { FORGIVES_ALL } from '@/core/rules/text/words';
import { type DrawingName, DRAWINGS } from './drawings';

/** A demo question: its body (with drawings by name), where it belongs, and what students typically get wrong. */
export interface DemoQuestion {
  topic: string;
  difficulty: 1 | 2 | 3;
  demand: 'know' | 'use' | 'judge';
  body: QuestionBody;
  /** Wrong answers by slot, typed as for a trial answer. */
  slips: Record<string, string[]>;
  drawing?: { name: DrawingName; description: string; width: number };
  /** What able students answer instead of the key, by slot, typed; where the key is wrong. */
  able?: Record<string, string>;
  /** A subject whose students know more of it than their ability says. */
  favours?: string;
  /** Drawings that stand in the place of words. */
  shown?: DrawingName[];
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
  more: { marks?: string; fixed?: boolean; feedback?: Record<string, string>; look?: ChoiceSetup['look'] } = {},
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
    look: more.look ?? 'list',
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
  more: { marks?: string; otherwise?: 'waits' | 'zero'; room?: 'word' | 'line' | 'lines'; endings?: 'en' } = {},
): DemoSlot {
  const own: TextRule[] = rules.every((r) => typeof r === 'string')
    ? [{ when: 'exact', answers: rules, share: '1', feedback: '' }]
    : rules.filter((r) => typeof r !== 'string');
  const setup = {
    ...shortText.fresh(),
    rules: {
      ...rulesFromKey(''),
      forgives: { ...FORGIVES_ALL, endings: more.endings ?? ('none' as const) },
      rules: own,
      otherwise: more.otherwise ?? ('waits' as const),
    },
    room: more.room ?? ('line' as const),
  };
  return { slot: { kind: 'shortText', marks: more.marks ?? '1', setup }, slips };
}

/** A rule of points: for each what it is worth, the words that earn it, and what else is said of it. */
export function scheme(
  points: readonly (readonly [share: string, words: Wording[], more?: Partial<Point>])[],
  feedback = '',
): TextRule {
  const made = points.map(([share, words, more], i) => ({ ...pointOf(`p${i + 1}`, words, share), ...more }));
  return { when: 'points', sets: [setOf(made)], refuse: [], feedback };
}

/** A long answer that a person marks by a rubric; the words are only noticed. */
export function essay(
  example: string,
  slips: string[],
  more: { marks: string; least?: number; most?: number; files?: number; rubric?: Rubric; noticed?: string[] },
): DemoSlot {
  const fresh = longAnswer.fresh();
  const { marks, rubric, noticed = [] } = more;
  const setup: LongAnswerSetup = {
    ...fresh,
    example,
    least: more.least ?? null,
    most: more.most ?? null,
    files: more.files ?? 0,
    rules: noticed.length > 0 ? { ...fresh.rules, rules: [scheme([['1', noticed]])] } : fresh.rules,
  };
  return { slot: { kind: 'longAnswer', marks, setup, ...(rubric ? { rubric } : {}) }, slips };
}

/** A picture to be labelled with its drawing: names with their spots in pixels of the drawing, and names that belong nowhere. */
export function labels(
  drawing: { width: number; height: number },
  spots: Record<string, [x: number, y: number]>,
  over: string[],
  more: { marks?: string; white?: LabelSetup['margin']; typed?: boolean } = {},
): DemoSlot {
  const white = more.white ?? { top: 0, right: 34, bottom: 0, left: 34 };
  const names = [...Object.keys(spots), ...over].map((text, i) => ({ id: `n${i + 1}`, text }));
  let setup: LabelSetup = { ...label.fresh(), margin: white, names, ...(more.typed ? { typed: true } : {}) };
  Object.values(spots).forEach(([x, y], i) => {
    const { at, foot } = lineFor({ x: (x / drawing.width) * 100, y: (y / drawing.height) * 100 }, white);
    const place = { id: `p${i + 1}`, at, foot, accepts: [`n${i + 1}`], description: '', feedback: '' };
    setup = { ...setup, places: [...setup.places, place] };
  });
  const lines = linedUp(
    setup.places.map(({ at }) => at),
    white,
  );
  const places = inReadingOrder(setup.places.map((place, i) => ({ ...place, at: lines[i] ?? place.at })));
  return {
    slot: { kind: 'label', marks: more.marks ?? String(places.length), setup: { ...setup, places } },
    slips: [],
  };
}

/** Pairs to be matched, and partners that are left over. */
export function matching(pairs: Record<string, string>, over: string[], more: { marks?: string } = {}): DemoSlot {
  const lines = [
    ...Object.entries(pairs).map(([left, right]) => `${left} = ${right}`),
    ...over.map((one) => `= ${one}`),
  ];
  const setup = match.typed.withKey(match.fresh(), lines.join('\n'));
  return { slot: { kind: 'match', marks: more.marks ?? String(Object.keys(pairs).length), setup }, slips: [] };
}

/** Groups with what belongs to them; under '' what belongs nowhere. */
export function sorting(
  groups: Record<string, string[]>,
  more: { marks?: string; scheme?: SortSetup['scheme'] } = {},
): DemoSlot {
  const named = Object.keys(groups).filter((name) => name !== '');
  const idOf = (name: string): string => `g${named.indexOf(name) + 1}`;
  const items = Object.entries(groups).flatMap(([name, texts]) =>
    texts.map((text) => ({ text, groups: name === '' ? [] : [idOf(name)], feedback: '' })),
  );
  const setup: SortSetup = {
    ...sort.fresh(),
    groups: named.map((text) => ({ id: idOf(text), text })),
    items: items.map((item, i) => ({ id: `i${i + 1}`, ...item })),
    scheme: more.scheme ?? 'by-part-deductions',
  };
  return { slot: { kind: 'sort', marks: more.marks ?? '3', setup }, slips: [] };
}

/** Things in their right order. */
export function ordering(
  items: string[],
  more: {
    marks?: string;
    scheme?: OrderSetup['scheme'];
    look?: OrderSetup['look'];
    feedback?: string;
    /** Another right order, by the numbers of the lines. */
    also?: string;
  } = {},
): DemoSlot {
  const { marks = '3', also, ...rest } = more;
  const setup = { ...order.typed.withKey(order.fresh(), items.join('\n')), ...rest };
  const other =
    also === undefined ? {} : { also: [storedResponse(kindOf('order'), order.typed.response(setup, also))] };
  return { slot: { kind: 'order', marks, setup, ...other }, slips: [] };
}

/** One word of several, in a line of the text; the right one first. */
export function oneOf(...[right = '', ...wrong]: string[]): DemoSlot {
  return { slot: { kind: 'menu', marks: '1', setup: withWords(menu.fresh(), right, wrong) }, slips: wrong };
}

/** A text of which some sentences, or words, are right. */
export function selecting(
  text: string,
  right: string[],
  more: { marks?: string; size?: UnitSize; feedback?: Record<string, string> } = {},
): DemoSlot {
  const size = more.size ?? 'sentences';
  const units = resplit({ text: '', units: [] }, text, size, 1000).map((unit) => {
    const words = text.slice(unit.from, unit.to);
    return { ...unit, key: right.includes(words), feedback: more.feedback?.[words] ?? '' };
  });
  const setup: SelectSetup = { ...select.fresh(), text, size, units };
  return { slot: { kind: 'select', marks: more.marks ?? String(right.length), setup }, slips: [] };
}

/** Round areas on a drawing, in pixels of it: where a point belongs, and where it does not. */
export function pointing(
  drawing: { width: number; height: number },
  right: [x: number, y: number, size: number][],
  wrong: [x: number, y: number, size: number, feedback: string][],
  more: { marks?: string } = {},
): DemoSlot {
  const area = ([x, y, size, feedback = '']: [number, number, number, string?], i: number, isRight: boolean): Area => ({
    id: `${isRight ? 'r' : 'w'}${i + 1}`,
    shape: 'round',
    x: (x / drawing.width) * 100,
    y: (y / drawing.height) * 100,
    width: (size / drawing.width) * 100,
    height: (size / drawing.height) * 100,
    right: isRight,
    feedback,
  });
  const areas = [...right.map((one, i) => area(one, i, true)), ...wrong.map((one, i) => area(one, i, false))];
  const setup: SpotsSetup = { ...spots.fresh(), areas };
  return { slot: { kind: 'spots', marks: more.marks ?? String(right.length), setup }, slips: [] };
}

/** A drawing in the place of words, with what it is. */
export interface ShownDrawing {
  drawing: DrawingName;
  text: string;
}

/** A slot in which the things of these words are drawings: options, pairs, items, groups. */
export function inDrawings({ slot, slips }: DemoSlot, drawings: readonly ShownDrawing[]): DemoSlot {
  const drawn = (thing: { text?: unknown }): unknown => {
    const found = drawings.find(({ text }) => text === thing.text);
    if (!found) return thing;
    const content = DRAWINGS[found.drawing];
    const [, width = '1', height = '1'] = /width="(\d+)" height="(\d+)"/.exec(content) ?? [];
    const hash = createHash('sha256').update(content).digest('hex');
    return { ...thing, media: { hash, medium: 'picture', ratio: Number(width) / Number(height) } };
  };
  const setup = Object.entries(Object(slot.setup) as Record<string, unknown>).map(([name, value]) => [
    name,
    Array.isArray(value) ? value.map((one: { text?: unknown }) => drawn(one)) : value,
  ]);
  return { slot: { ...slot, setup: Object.fromEntries(setup) as unknown }, slips };
}

/** A text whose words in [brackets] are taken out, and tiles that belong nowhere. */
export function filled(text: string, over: string[], more: { marks?: string } = {}): DemoSlot {
  let plain = '';
  const taken: Gap[] = [];
  const tiles = [...new Set([...[...text.matchAll(/\[([^\]]+)\]/g)].map((found) => found[1] ?? ''), ...over])].map(
    (words_, i) => ({ id: `t${i + 1}`, text: words_ }),
  );
  text.split(/\[([^\]]+)\]/).forEach((part, i) => {
    const from = plain.length;
    plain += part;
    const accepts = tiles.filter((tile) => tile.text === part).map(({ id }) => id);
    if (i % 2 === 1) taken.push({ id: `p${taken.length + 1}`, from, to: plain.length, accepts, feedback: '' });
  });
  const setup: GapsSetup = { ...gaps.fresh(), text: plain, gaps: taken, tiles };
  return { slot: { kind: 'gaps', marks: more.marks ?? String(taken.length), setup }, slips: [] };
}

interface More {
  hints?: QuestionBody['hints'];
  shown?: DrawingName[];
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
      hints: more.hints ?? [],
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
    ...(more.shown ? { shown: more.shown } : {}),
  };
}
