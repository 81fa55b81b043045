import { describe, expect, it } from 'vitest';
import { takesName } from '../../content/takes';
import { handIn, type HandedPage } from './hand-in';

const page = (n: number, more: Partial<HandedPage> = {}): HandedPage => ({
  hash: String(n).repeat(64).slice(0, 64),
  name: `page ${n}.jpg`,
  size: 1000,
  attempt: 'a',
  turn: 0,
  corners: null,
  ...more,
});

describe('handing in', () => {
  it('takes as many as were asked for, each once, of the kinds that were asked for', () => {
    const setup = { ...handIn.fresh(), most: 2 };
    const accepts = (...pages: HandedPage[]): boolean => handIn.accepts(setup, { pages });
    expect(accepts(page(1), page(2))).toBe(true);
    expect(accepts(page(1), page(2), page(3))).toBe(false);
    expect(accepts(page(1), page(1))).toBe(false);
    expect(accepts(page(1, { name: 'page.exe' }))).toBe(false);
    expect(handIn.accepts({ ...setup, takes: 'any' }, { pages: [page(1, { name: 'page.exe' })] })).toBe(true);
  });

  it.each([
    ['pages', 'IMG_1.JPG', true],
    ['pages', 'scan.pdf', true],
    ['pages', 'jpg', false],
    ['pages', 'page.jpg.exe', false],
    ['documents', 'report.odt', true],
    ['documents', 'photo.png', false],
    ['any', 'no ending', true],
  ] as const)('%s: %s %s', (takes, name, taken) => expect(takesName(takes, name)).toBe(taken));

  it('keeps how a page is turned and cropped, and takes no corners that cross', () => {
    const at = (x: number, y: number) => ({ x, y });
    const schema = handIn.response.schema;
    expect(
      schema.safeParse({ pages: [page(1, { turn: 3, corners: [at(0, 0), at(1, 0), at(1, 1), at(0, 1)] })] }).success,
    ).toBe(true);
    expect(schema.safeParse({ pages: [page(1, { corners: [at(0, 0), at(1, 1), at(1, 0), at(0, 1)] })] }).success).toBe(
      false,
    );
    expect(schema.safeParse({ pages: [page(1, { turn: 4 })] }).success).toBe(false);
    expect(schema.safeParse({ pages: [page(1, { corners: [at(0, 0), at(2, 0), at(1, 1), at(0, 1)] })] }).success).toBe(
      false,
    );
  });
});
