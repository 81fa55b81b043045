import { Cursor } from './cursor';
import { Unreadable } from './tokens';
import type { Tree } from './tree';

/** What holds other formulas: brackets of all kinds, matrices, cases, sum and integral signs. */
export abstract class Structures extends Cursor {
  protected abstract list(): Tree;
  protected abstract either(): Tree;
  protected abstract relation(): Tree;
  protected abstract sum(): Tree;
  protected abstract product(): Tree;
  protected abstract exponent(): Tree;
  protected abstract argument(): Tree;
  /** The factor that a sum sign runs over, read with its name declared. */
  protected abstract summand(name: string): Tree;

  protected brackets(open: string): Tree {
    if (open === ']' && this.at > 1 && !this.opensHere()) {
      this.at -= 1;
      this.fail();
    }
    const items: Tree[] = [];
    const braces = open === '{' || open === '{set';
    const closing = (): boolean =>
      braces
        ? this.is('}') || this.is('}set')
        : open === '⟨'
          ? this.is('⟩')
          : this.is(')') || this.is(']') || (this.is('[') && items.length === 2);
    const { bars } = this;
    this.bars = 0;
    if (!closing()) {
      do items.push(this.deeper(() => this.either()));
      while (this.took(',') || this.took(';') || (open === '(' && this.took('|')));
    }
    this.bars = bars;
    if (!closing()) this.fail();
    const close = this.now.text;
    this.at += 1;
    const [only] = items;
    const round = (open === '(' && close === ')') || (open === '[' && close === ']') || open === '{';
    if (items.length === 1 && only && round) return this.made({ type: 'group', of: only });
    if (items.length === 0 && !braces) this.fail();
    const rows = items.map((item) => (item.type === 'collection' && item.open === '[' ? item.items : null));
    if (open === '[' && close === ']' && rows.length > 0 && rows.every((row) => row !== null)) return this.matrix(rows);
    return this.made({
      type: 'collection',
      open: open === '{set' ? '{' : open,
      close: close === '}set' ? '}' : close,
      items,
    });
  }

  /** A vector in plain typing: <1, 2>. */
  protected pointed(): Tree {
    const items = [this.sum()];
    while (this.took(',') || this.took(';')) items.push(this.sum());
    this.need('>');
    return this.made({ type: 'collection', open: '⟨', close: '⟩', items });
  }

  /** A "]" opens an interval only where something can begin. */
  protected opensHere(): boolean {
    const before = this.tokens[this.at - 2];
    return before?.type === 'sign' && !')]}'.includes(before.text.charAt(0));
  }

  protected matrix(rows: Tree[][]): Tree {
    const width = rows[0]?.length ?? 0;
    if (rows.some((row) => row.length !== width)) throw new Unreadable('The rows are not equally long.');
    return this.made({ type: 'matrix', rows });
  }

  protected environment(name: string): Tree {
    if (name === 'cases') return this.casesUntilEnd();
    if (!/^(p|b|B|small)?matrix$|^array$/.test(name)) throw new Unreadable(`“${name}” is not known here.`);
    if (name === 'array' && this.took('{'))
      while (!this.took('}')) this.at += this.now.type === 'end' ? this.fail() : 1;
    const rows: Tree[][] = [[]];
    for (;;) {
      rows.at(-1)?.push(this.deeper(() => this.either()));
      if (this.took('&')) continue;
      if (this.took('row') && !this.is('end')) rows.push([]);
      else break;
    }
    this.need('end');
    return this.matrix(rows);
  }

  protected casesUntilEnd(): Tree {
    const cases: { value: Tree; when: Tree | null }[] = [];
    do {
      if (this.is('end')) break;
      const value = this.deeper(() => this.sum());
      while (this.took('&') || this.took(',') || this.took('if')) continue;
      const when = this.took('otherwise') || this.is('row') || this.is('end') ? null : this.either();
      cases.push({ value, when });
    } while (this.took('row'));
    this.need('end');
    return this.made({ type: 'cases', cases });
  }

  protected series(sign: 'sum' | 'product'): Tree {
    let start: Tree | null = null;
    let to: Tree | null = null;
    for (let i = 0; i < 2; i++) {
      if (!start && this.took('_')) {
        this.need('{');
        start = this.relation();
        this.need('}');
      } else if (!to && this.took('^')) to = this.exponent();
    }
    if (start?.type !== 'relation' || start.parts.length !== 2 || start.signs[0] !== '=' || !to)
      throw new Unreadable('A sum sign wants to know from where to where.');
    const [name, from] = start.parts;
    const called = name?.type === 'name' ? name.name : name?.type === 'constant' ? name.name : null;
    if (!called || !from) this.fail();
    const of = this.summand(called);
    return this.made({ type: 'series', how: sign === 'sum' ? 'sum' : 'product', name: called, from, to, of });
  }

  protected unworked(sign: string): Tree {
    const parts: Tree[] = [];
    for (let i = 0; i < 2; i++) {
      if (this.took('_')) parts.push(this.argument());
      if (this.took('^')) parts.push(this.exponent());
    }
    parts.push(this.sum());
    return this.made({ type: 'unworked', sign, parts });
  }
}
