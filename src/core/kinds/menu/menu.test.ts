import { describe, expect, it } from 'vitest';
import { menu, withWords } from './menu';

const three = withWords(menu.fresh(), 'rises', ['falls', 'stays']);
const wordsOf = (sheet: ReturnType<typeof menu.sheet>): string[] => sheet.options.map(({ text }) => text);

describe('a drop-down in a line', () => {
  it('takes one right word and others, typed one a line or parted by semicolons', () => {
    const typed = menu.typed.withKey(menu.fresh(), 'rises; falls; stays');
    expect(menu.marked.describeKey(typed)).toBe('rises');
    expect(menu.typed.withKey(menu.fresh(), 'falls\n* rises\nstays').options.map((one) => [one.text, one.key])).toEqual(
      [
        ['rises', true],
        ['falls', false],
        ['stays', false],
      ],
    );
    expect(menu.typed.withKey(three, ' ; ')).toBe(three);
  });

  it('shows its words by the alphabet or mixed, never as they were written', () => {
    expect(wordsOf(menu.sheet({ ...three, shuffle: false }, 5))).toEqual(['falls', 'rises', 'stays']);
    const orders = new Set(Array.from({ length: 40 }, (_, seed) => wordsOf(menu.sheet(three, seed)).join()));
    expect(orders.size).toBe(6);
    expect(menu.marked.fixedKeyPlace(three)).toBeNull();
  });

  it('keeps the names of words that stay, so that answers stay true', () => {
    const [rises, falls] = three.options;
    const other = withWords(three, 'falls', ['rises', 'turns']);
    expect(other.options.map(({ id }) => id).slice(0, 2)).toEqual([falls?.id, rises?.id]);
    expect(new Set(other.options.map(({ id }) => id)).size).toBe(3);
    expect(withWords(three, 'rises', ['rises']).options.map(({ text }) => text)).toEqual(['rises', 'rises']);
  });

  it('keeps the name and the feedback of a word that is written letter by letter', () => {
    const said = { ...three, options: three.options.map((one) => ({ ...one, feedback: `of ${one.text}` })) };
    const written = ['rise', 'rise ', 'rise f', 'rise fast'].reduce(
      (now, word) => withWords(now, word, ['falls', 'stays']),
      said,
    );
    expect(written.options.map(({ id, text, feedback }) => [id, text, feedback])).toEqual([
      [three.options[0]?.id, 'rise fast', 'of rises'],
      [three.options[1]?.id, 'falls', 'of falls'],
      [three.options[2]?.id, 'stays', 'of stays'],
    ]);
    const fewer = withWords(said, 'rises', ['stays']);
    expect(fewer.options.map(({ id, feedback }) => [id, feedback])).toEqual([
      [three.options[0]?.id, 'of rises'],
      [three.options[2]?.id, 'of stays'],
    ]);
  });

  it('is not ready without a right word, with one word, twice the same, or a formula', () => {
    const codes = (right: string, ...wrong: string[]): string[] =>
      menu.readiness(withWords(menu.fresh(), right, wrong)).map(({ code }) => code);
    expect(codes('', 'falls')).toEqual(['menu-no-key']);
    expect(codes('rises')).toEqual(['choice-one-option']);
    expect(codes('$x^2$', 'falls')).toEqual(['menu-formula']);
    expect(codes('rises', 'rises').length).toBe(1);
    expect(codes('rises', 'falls')).toEqual([]);
  });
});
