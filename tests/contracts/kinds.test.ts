import { createHash } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import { keyedBy } from '@/core/bank/also';
import { markSlot } from '@/core/bank/mark';
import { authoredResponse, type OwnNames, ownResponses, ownSheet } from '@/core/bank/own-names';
import { emptyQuestion, type QuestionBody, questionForm } from '@/core/bank/question';
import { putting } from '@/core/bank/variation';
import { stored } from '@/core/base/exact';
import { readStored } from '@/core/base/stored-form';
import type { Anchor } from '@/core/content/anchors';
import { contentFromLines } from '@/core/content/lines';
import { anchorSchema } from '@/core/content/stored-anchor';
import { readArchive, writeArchive } from '@/core/exchange/archive';
import { questionsFromRows, rowFromQuestion, COLUMNS } from '@/core/exchange/rows';
import { SAMPLE_SECRETS } from '@/core/kinds/contract';
import { NOTHING_UNDERSTOOD, type Understood } from '../../src/core/speech/understood';
import { KIND_NAMES } from '@/core/kinds/names';
import { kindOf, TYPED_KINDS, typedKind } from '@/core/kinds/registry';
import { readResponse, storedResponse } from '@/core/kinds/response';
import { waits } from '@/core/rules/marking';
import { sideOf } from '@/ui/kinds/registry';
import { editorSide } from '@/ui/kinds/editors';
import { sampleOf } from '../drivers/kind-samples';

/** Everything in a value that is a name or a word by itself. */
const namesIn = (value: unknown): string[] => JSON.stringify(value).match(/\b[a-z0-9]+\b/g) ?? [];
const asJson = (value: unknown): unknown => JSON.parse(JSON.stringify(value));

/** Places that no answer has. */
const NOWHERE: Anchor[] = [
  { at: 'words', from: 0, to: 9, quote: 'nowhere at all' },
  { at: 'spot', page: 'f'.repeat(64), x: 0.5, y: 0.5, w: 0, h: 0 },
  { at: 'drawn', page: 'f'.repeat(64), shapes: [] },
  { at: 'shapes', ids: ['nowhere'] },
  { at: 'seconds', from: 9000, to: 9001 },
];

/** What every kind has. The samples stand in the kinds' own folders. */
describe.each(KIND_NAMES)('kind %s', (name) => {
  const kind = kindOf(name);
  const { setup, otherKeys, responses: given = [] } = sampleOf(name);
  const slot = { kind: name, marks: '1', setup };
  const question: QuestionBody = {
    ...emptyQuestion,
    content: {
      type: 'doc',
      content: [
        ...contentFromLines('What is asked?').content,
        kind.placement === 'block'
          ? { type: 'blockSlot', attrs: { id: 's1' } }
          : { type: 'paragraph', content: [{ type: 'inlineSlot', attrs: { id: 's1' } }] },
      ],
    },
    slots: { s1: slot },
  };
  /** Responses that the slot may be given. */
  const responses = [kind.marked?.key(setup), ...(kind.marked?.tryouts(setup) ?? []), ...given].filter(
    (r) => r !== null && r !== undefined,
  );

  it('has words and an editor', () => {
    expect(sideOf(name).words.name).not.toBe('');
    expect(sideOf(name).answered(undefined)).toBe(false);
    const { Place, Note, sentence, trialHint, presets } = editorSide(name);
    expect([typeof Place, typeof Note]).toEqual(['function', 'function']);
    expect([sentence(setup).endsWith('.'), trialHint.length > 5, presets.length > 0]).toEqual([true, true, true]);
    for (const preset of presets)
      expect(readStored(kind.setup, asJson(preset.setup(kind.fresh())))).toEqual(preset.setup(kind.fresh()));
  });

  it('takes remarks at places of its answers, if any, and only at those that are there', () => {
    const { judged } = kind;
    if (!judged) return;
    const places = responses.map((response) => ({ response, anchor: judged.somewhere(setup, response) }));
    expect(places.some(({ anchor }) => anchor !== null)).toBe(true);
    for (const { response, anchor } of places) {
      if (anchor === null) continue;
      expect(anchorSchema.parse(asJson(anchor))).toEqual(anchor);
      expect(judged.holds(setup, response, anchor)).toBe(true);
      for (const nowhere of NOWHERE) expect(judged.holds(setup, response, nowhere)).toBe(false);
    }
  });

  it('has letters on paper, if any, that tell different answers apart, in whatever order the sheet stands', () => {
    const { lettered } = kind;
    if (!lettered) return;
    for (const seed of [null, 1, 2, 3]) {
      const sheet = kind.sheet(setup, seed);
      const written = responses.map((response) => lettered.written(sheet, response));
      const gists = responses.map((response) => kind.gist(setup, response));
      for (const [i, one] of written.entries())
        for (const [j, other] of written.entries())
          if (one !== null && other !== null)
            expect([gists[i], gists[j], one === other]).toEqual([gists[i], gists[j], gists[i] === gists[j]]);
      expect(lettered.crossed(sheet)).toBeGreaterThanOrEqual(0);
    }
  });

  it('round-trips its stored form, fresh and set up, in an archive too', () => {
    for (const value of [kind.fresh(), setup]) expect(readStored(kind.setup, asJson(value))).toEqual(asJson(value));
    expect(readStored(questionForm, asJson(question))).toEqual(question);
    const facts = { difficulty: 1 as const, demand: 'know' as const, tags: [] };
    const archive = { questions: [{ body: question, facts, topic: [], goals: [] }], media: new Map() };
    expect(readArchive(writeArchive(archive)).questions[0]?.body).toEqual(question);
  });

  it('a fresh one says what it needs, one that is set up is ready', () => {
    expect(kind.readiness(kind.fresh()).length).toBeGreaterThan(0);
    expect(kind.readiness(setup)).toEqual([]);
  });

  it('gives no key away in its sheet: not by its words, and not by anything that another key would change', () => {
    expect(otherKeys.length).toBeGreaterThan(0);
    for (let seed = 0; seed < 25; seed++) {
      const sheet = JSON.stringify(kind.sheet(setup, seed));
      for (const secret of [...SAMPLE_SECRETS, '"key"', '"rules"', '"feedback"', '"scheme"'])
        expect(sheet).not.toContain(secret);
      for (const other of otherKeys) expect(JSON.stringify(kind.sheet(other, seed))).toBe(sheet);
    }
    for (const other of otherKeys) expect(other).not.toEqual(setup);
  });

  it('has names and an order of its own on every sheet, in which answers come back', () => {
    const namesOf =
      (n: number): OwnNames =>
      (part_slot, part) =>
        createHash('sha256').update(`${n} ${part_slot} ${part}`).digest('hex').slice(0, 12);
    const [one, other] = [ownSheet(question, namesOf(1)), ownSheet(question, namesOf(2))];
    const parts = kind.parts?.of(setup) ?? [];
    for (const part of parts) {
      expect(namesIn(one)).toContain(namesOf(1)('s1', part));
      expect(namesIn(other)).not.toContain(namesOf(1)('s1', part));
      expect([...namesIn(one), ...namesIn(other)]).not.toContain(part);
    }
    // Whatever order the author gave them, a sheet whose parts may stand in any order is the same.
    const orders = new Set(Array.from({ length: 40 }, (_, n) => JSON.stringify(ownSheet(question, namesOf(n)).slots)));
    expect(orders.size).toBe(parts.length > 0 ? 40 : 1);
    for (const response of responses) {
      const stored = storedResponse(kind, response);
      const shown = ownResponses(question, { s1: stored }, namesOf(1)).s1;
      const version = kind.response.version;
      expect(authoredResponse(question, 's1', { ...Object(shown), version }, namesOf(1))).toEqual({ response });
      if (parts.length > 0) expect(namesIn(shown).filter((name) => parts.includes(name))).toEqual([]);
    }
  });

  it('puts named values into whatever stands in it, and leaves everything else alone', () => {
    expect(kind.put(setup, (text) => text)).toEqual(setup);
    const secret = SAMPLE_SECRETS.find((one) => JSON.stringify(setup).includes(one));
    if (secret === undefined) return expect(kind.marked).toBeUndefined();
    const named = readStored(kind.setup, JSON.parse(JSON.stringify(setup).replaceAll(secret, '<v>')));
    expect(kind.put(named, putting(new Map([['v', secret]])))).toEqual(setup);
  });

  it('reads responses that were stored before there were versions, stores them with one, and refuses what is none', () => {
    expect(responses.length).toBeGreaterThan(0);
    for (const response of responses) {
      expect(readResponse(kind, asJson(response))?.response).toEqual(response);
      expect(readResponse(kind, asJson(storedResponse(kind, response)))?.response).toEqual(response);
      expect(storedResponse(kind, response)).toHaveProperty('version', kind.response.version);
      expect(readResponse(kind, { ...Object(response), version: kind.response.version + 1 })).toBeNull();
    }
    for (const odd of [null, 7, 'text', [], { other: 1 }, { text: 'x'.repeat(60_000) }, { chosen: ['<script>'] }])
      expect(readResponse(kind, odd)).toBeNull();
  });

  it('knows what is answered, describes it, and takes it for the same however often it is asked', () => {
    expect(kind.describe(setup).length).toBeGreaterThan(0);
    for (const response of responses) {
      expect([kind.blank(response), sideOf(name).answered(response)]).toEqual([false, true]);
      expect(kind.describeResponse(setup, response).length).toBeGreaterThan(0);
      expect(kind.gist(setup, response)).toBe(kind.gist(setup, asJson(response)));
    }
  });

  it('answers that come to the same get the same marks', () => {
    const marks = new Map<string, string>();
    for (const response of responses) {
      const earned = markSlot(slot, response).marks;
      const before = marks.get(kind.gist(setup, response));
      expect(before ?? String(earned)).toBe(String(earned));
      marks.set(kind.gist(setup, response), String(earned));
    }
    const settled = [{ response: storedResponse(kind, responses[0]), share: '1/2', feedback: '' }];
    expect(String(markSlot({ ...slot, settled }, responses[0]).marks)).toBe('0.5');
  });

  it('accepts what its sheet lets a student answer, and files only where it takes them', () => {
    for (const response of responses) expect(kind.accepts(setup, response)).toBe(true);
    const file = { hash: 'a'.repeat(64), name: 'f', size: 1, attempt: 'x' };
    const beside = readResponse(kind, { ...Object(responses[0]), files: [file] });
    const files = (beside && kind.files?.of(beside.response)) ?? [];
    // Where files are the answer, a fresh slot takes them.
    const asked = (kind.files?.of(responses[0]) ?? []).length > 0;
    expect(files.length === 0 || asked || !kind.accepts(kind.fresh(), beside?.response)).toBe(true);
  });

  it('without rules of its own waits for a person', () => {
    if (!kind.marked) expect(markSlot(slot, responses[0]).marking).toEqual(waits([{ code: 'by-a-person' }]));
  });
});

const MARKED = KIND_NAMES.filter((name) => kindOf(name).marked);
describe.each(MARKED)('kind %s, marked by machine', (name) => {
  const kind = kindOf(name);
  const { setup } = sampleOf(name);
  const { marked } = kind;
  if (!marked) throw new Error('It is marked');

  it('marks its key with everything, the same every time', () => {
    const key = marked.key(setup);
    expect(readResponse(kind, key)?.response).toEqual(key);
    const marking = marked.mark(setup, key);
    expect(marking.state === 'marked' && stored(marking.share)).toBe('1');
    expect(marking.trace.length).toBeGreaterThan(0);
    expect(marked.mark(setup, key)).toEqual(marking);
    expect(marked.describeKey(setup).length).toBeGreaterThan(0);
  });

  it('a fresh one has no key', () => {
    expect(marked.key(kind.fresh())).toBeNull();
  });

  it('knows different answers worth trying, not all of them right', () => {
    const tryouts = marked.tryouts(setup);
    expect(tryouts.length).toBeGreaterThan(1);
    expect(new Set(tryouts.map((r) => JSON.stringify(r))).size).toBe(tryouts.length);
    const slot = { kind: name, marks: '1', setup };
    expect(new Set(tryouts.map((response) => String(markSlot(slot, response).marks))).size).toBeGreaterThan(1);
  });
});

describe.each(TYPED_KINDS)('kind %s, typed', (name) => {
  const { typed, fresh, setup: form, marked } = typedKind(name);
  const { setup, typed: example = '* 73 kW\n12 kW' } = sampleOf(name);

  it('takes a typed key and gives it back', () => {
    const made = typed.withKey(fresh(), example);
    expect(marked?.key(made)).not.toBeNull();
    expect(readStored(form, asJson(made))).toEqual(made);
    expect(marked?.key(typed.withKey(fresh(), ''))).toBeNull();
    const again = typed.withKey(setup, typed.keyText(setup));
    expect(marked?.mark(again, marked.key(again))).toMatchObject({ state: 'marked' });
    expect(typed.keyText(again)).toBe(typed.keyText(setup));
  });

  it('gives typed answers back as they were typed', () => {
    const slot = { kind: name, marks: '1', setup };
    for (const response of marked?.tryouts(setup) ?? []) {
      const back = typed.response(setup, typed.responseText(setup, response));
      expect(markSlot(slot, back)).toEqual(markSlot(slot, response));
    }
  });

  it('goes through a row of a spreadsheet', () => {
    const content = contentFromLines('What is asked?');
    const node =
      kindOf(name).placement === 'block'
        ? { type: 'blockSlot' as const, attrs: { id: 's1' } }
        : { type: 'paragraph' as const, content: [{ type: 'inlineSlot' as const, attrs: { id: 's1' } }] };
    const body: QuestionBody = {
      ...emptyQuestion,
      content: { type: 'doc', content: [...content.content, node] },
      slots: { s1: { kind: name, marks: '1', setup } },
    };
    const row = rowFromQuestion({ body, facts: { difficulty: 1, demand: 'know', tags: [] }, topic: '' });
    const read = questionsFromRows([[...COLUMNS], row ?? []]);
    expect(read.bad).toEqual([]);
    const slot = read.questions[0]?.body.slots.s1;
    expect(slot?.kind).toBe(name);
    expect(typed.keyText(slot?.setup)).toBe(typed.keyText(setup));
  });
});

const VALUED = KIND_NAMES.filter((name) => kindOf(name).valued);
it.each(VALUED)('the key of a %s is a value to reckon with', (name) => {
  const { valued, marked, typed, fresh } = kindOf(name);
  const setup = typed ? typed.withKey(fresh(), '3') : sampleOf(name).setup;
  expect(valued?.value(setup, marked?.key(setup))).toMatch(typed ? /^3$/ : /\d/);
});

/** Kinds in which an answer can be right as a whole beside the key. */
it.each(KIND_NAMES.filter((name) => kindOf(name).spoken))('kind %s is marked by what was understood alone', (name) => {
  const kind = kindOf(name);
  const { setup } = sampleOf(name);
  const { spoken, marked } = kind;
  const key = marked?.key(setup);
  expect(spoken?.recording(key)).not.toBeNull();
  expect(spoken?.recording(key) && kind.files?.of(key)).toEqual([spoken?.recording(key)]);
  // Its samples are among its media, and none of their words or sounds on the sheet.
  const samples = spoken?.samples(setup) ?? [];
  expect(samples.length).toBeGreaterThan(0);
  for (const { words, sound } of samples) {
    expect(kind.media?.of(setup)).toContain(sound);
    expect(JSON.stringify(kind.sheet(setup, 1))).not.toContain(sound);
    expect(JSON.stringify(kind.sheet(setup, 1))).not.toContain(words);
  }
  const state = (understood: Understood | null): string | undefined =>
    marked?.mark(setup, spoken?.withUnderstood(key, understood)).state;
  const [{ words } = { words: '' }] = samples;
  expect([state({ words, sure: 1 }), state({ words, sure: 0.1 }), state(NOTHING_UNDERSTOOD), state(null)]).toEqual([
    'marked',
    'waits',
    'waits',
    'waits',
  ]);
  expect(spoken?.understood(spoken.withUnderstood(key, { words, sure: 0.1 }))).toEqual({ words, sure: 0.1 });
});

describe.each(KIND_NAMES.filter((name) => kindOf(name).marked?.keyed))('kind %s with another whole answer', (name) => {
  const kind = kindOf(name);
  const { setup } = sampleOf(name);
  const whole = (response: unknown): boolean =>
    keyedBy({ kind: name, marks: '1', setup }, storedResponse(kind, response)) !== null;
  const others = (kind.marked?.tryouts(setup) ?? []).slice(1).filter(whole);
  const shareOf = (response: unknown, also: unknown[] = []): number => {
    const slot = { kind: name, marks: '1', setup, also: also.map((one) => storedResponse(kind, one)) };
    return Number(markSlot(slot, storedResponse(kind, response)).marks?.valueOf());
  };

  it('gives the whole marks to both, and to what is near the nearer one', () => {
    const key = kind.marked?.key(setup);
    expect(others.length).toBeGreaterThan(0);
    for (const other of others) {
      expect(shareOf(other)).toBeLessThan(1);
      expect([shareOf(other, [other]), shareOf(key, [other])]).toEqual([1, 1]);
      for (const near of others) expect(shareOf(near, [other])).toBeGreaterThanOrEqual(shareOf(near));
    }
  });

  it('takes no notice of one that speaks of what is no longer there', () => {
    const [other] = others;
    const gone = JSON.parse(JSON.stringify(other).replace(/"[a-z]\d+"/, '"zz9"')) as unknown;
    expect(shareOf(other, [gone])).toBe(shareOf(other));
  });
});

/** Kinds in which pictures and sounds stand in the place of words. */
describe.each(['choice', 'label', 'match', 'sort', 'order', 'gaps'] as const)(
  'kind %s with pictures and sounds',
  (name) => {
    const kind = kindOf(name);
    const { setup } = sampleOf(name);
    const shown = (medium: 'picture' | 'sound', text: string): unknown => {
      const media = { hash: 'c'.repeat(64), medium, ratio: 1.5 };
      const lists = Object.entries(Object(setup) as Record<string, unknown>).map(([list, value]) => [
        list,
        ['options', 'names', 'partners', 'items', 'tiles'].includes(list)
          ? (value as object[]).map((one, i) => (i === 0 ? { ...one, media, text } : one))
          : value,
      ]);
      return kind.setup.schema.parse(Object.fromEntries(lists));
    };

    it('keeps what stands there, names it among its media, and is not ready without its words', () => {
      expect(kind.media?.of(shown('picture', 'a hub'))).toContain('c'.repeat(64));
      expect(kind.readiness(shown('picture', 'a hub')).filter(({ weight }) => weight === 'stops')).toEqual([]);
      expect(kind.readiness(shown('picture', '')).map(({ code }) => code)).toContain('line-unsaid');
    });

    it('is not written into a row of a spreadsheet, which has no room for it', () => {
      const slot = { kind: name, marks: '1', setup: shown('picture', 'a hub') };
      const content = { type: 'doc' as const, content: [{ type: 'blockSlot' as const, attrs: { id: 's1' } }] };
      const body: QuestionBody = { ...emptyQuestion, content, slots: { s1: slot } };
      expect(rowFromQuestion({ body, facts: { difficulty: 1, demand: 'know', tags: [] }, topic: '' })).toBeNull();
    });

    it('tells students what a picture shows, and nothing of what a sound is', () => {
      expect(JSON.stringify(kind.sheet(shown('picture', 'a hub'), 3))).toContain('a hub');
      expect(JSON.stringify(kind.sheet(shown('sound', 'a hub'), 3))).not.toContain('a hub');
      expect(JSON.stringify(kind.sheet(shown('sound', 'a hub'), 3))).toContain('c'.repeat(64));
    });
  },
);
