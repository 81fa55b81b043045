import { describe, expect, it } from 'vitest';
import { readStored } from '@/core/base/stored-form';
import { KIND_NAMES, kindOf } from '@/core/kinds/registry';
import { stored } from '@/core/base/exact';
import { responseSide } from '@/ui/kinds/responses';
import { editorSide } from '@/ui/kinds/editors';
import { KIND_WORDS } from '@/ui/words/kinds';
import { questionOfEveryKind, SECRETS } from '../drivers/samples';

/** A slot of every kind with a key, from the question of every kind; a new kind must be put there too. */
const samples = new Map(Object.values(questionOfEveryKind('Sample').slots).map((s) => [s.kind, s.setup]));

describe.each(KIND_NAMES)('kind %s', (name) => {
  const kind = kindOf(name);
  const setup = samples.get(name);

  it('has a sample, words and an editor', () => {
    expect(setup).toBeDefined();
    expect(KIND_WORDS[name].name).not.toBe('');
    expect(responseSide(name).answered(undefined)).toBe(false);
    const { Place, Note, sentence, trialHint } = editorSide(name);
    expect([typeof Place, typeof Note]).toEqual(['function', 'function']);
    expect([sentence(setup).endsWith('.'), trialHint.length > 5]).toEqual([true, true]);
  });

  it('round-trips its stored form, fresh and set up', () => {
    for (const value of [kind.fresh(), setup]) {
      const json: unknown = JSON.parse(JSON.stringify(value));
      expect(readStored(kind.setup, json)).toEqual(json);
    }
  });

  it('marks its key with everything, the same every time, and knows that it is answered', () => {
    const key = kind.key(setup);
    expect(kind.response.safeParse(key).success).toBe(true);
    expect(kind.blank(key)).toBe(false);
    const marking = kind.mark(setup, key);
    expect(marking.state === 'marked' && stored(marking.share)).toBe('1');
    expect(marking.trace.length).toBeGreaterThan(0);
    expect(kind.mark(setup, key)).toEqual(marking);
    expect(responseSide(name).answered(key)).toBe(true);
  });

  it('a fresh one has no key and says so', () => {
    expect(kind.key(kind.fresh())).toBeNull();
    expect(kind.readiness(kind.fresh()).length).toBeGreaterThan(0);
    expect(kind.readiness(setup)).toEqual([]);
  });

  it('takes a typed key, and knows answers worth trying', () => {
    const made = kind.withKey(kind.fresh(), '* 73 kW\n12 kW');
    expect(kind.key(made)).not.toBeNull();
    expect(readStored(kind.setup, JSON.parse(JSON.stringify(made)))).toEqual(made);
    expect(kind.key(kind.withKey(kind.fresh(), ''))).toBeNull();
    const again = kind.withKey(setup, kind.typedKey(setup));
    expect(kind.mark(again, kind.key(again))).toMatchObject({ state: 'marked' });
    expect(kind.typedKey(again)).toBe(kind.typedKey(setup));
    const tryouts = kind.tryouts(setup);
    expect(tryouts.length).toBeGreaterThan(1);
    expect(new Set(tryouts).size).toBe(tryouts.length);
    for (const typed of tryouts) expect(() => kind.mark(setup, kind.fromTyped(setup, typed))).not.toThrow();
  });

  it('gives no key away in its sheet, whatever the seed', () => {
    for (let seed = 0; seed < 25; seed++) {
      const sheet = JSON.stringify(kind.sheet(setup, seed));
      for (const secret of [...SECRETS, '"key"', '"rules"', '"feedback"', '"scheme"'])
        expect(sheet).not.toContain(secret);
    }
  });

  it('describes itself, a response and its key in plain words', () => {
    const key = kind.key(setup);
    expect(kind.describe(setup).length).toBeGreaterThan(0);
    expect(kind.describeResponse(setup, key).length).toBeGreaterThan(0);
    expect(kind.describeKey(setup).length).toBeGreaterThan(0);
  });

  it('accepts what its sheet lets a student answer, and files only where it takes them', () => {
    const key = kind.key(setup);
    expect(kind.accepts(setup, key)).toBe(true);
    for (const typed of kind.tryouts(setup)) expect(kind.accepts(setup, kind.fromTyped(setup, typed))).toBe(true);
    const file = { hash: 'a'.repeat(64), name: 'f', size: 1, attempt: 'x' };
    const beside = kind.response.safeParse({ ...(key as object), files: [file] });
    const files = beside.success ? (kind.files?.(beside.data) ?? []) : [];
    expect(files.length === 0 || !kind.accepts(kind.fresh(), beside.data)).toBe(true);
  });

  it('refuses responses that are not of its form', () => {
    for (const odd of [null, 7, 'text', [], { other: 1 }, { text: 'x'.repeat(60_000) }, { chosen: ['<script>'] }]) {
      expect(kind.response.safeParse(odd).success).toBe(false);
    }
  });
});
