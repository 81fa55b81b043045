import { exact } from '../../base/exact';
import { bare, type Relation, type Tree } from './tree';
import type { Doubt } from './cursor';
import { Calls, CLOSERS } from './calls';
import { tokensOf, Unreadable } from './tokens';
import type { Reading } from './words';

export type Parsed =
  | {
      ok: true;
      tree: Tree;
      /** Something in it can be read in two ways: what follows an inline slash, or a lone group of three. */
      doubts: Doubt[];
    }
  | { ok: false; why: string };

/**
 * Reads a formula in LaTeX or plain typing. Never throws: what cannot be read
 * says why. At most 2,000 characters, 100 levels and 1,500 parts are read.
 * `*`, `/` and products without a sign have one level, from left to right.
 */
export function parseMaths(text: string, reading: Reading = {}): Parsed {
  try {
    const parser = new Parser(tokensOf(text, reading), reading);
    return { ok: true, tree: parser.whole(), doubts: [...parser.doubts] };
  } catch (error) {
    if (error instanceof Unreadable) return { ok: false, why: error.message };
    throw error;
  }
}

const RELATION_SIGNS = new Set(['=', '≠', '<', '≤', '>', '≥', '∈']);
class Parser extends Calls {
  protected summand(name: string): Tree {
    const variables = [...(this.reading.variables ?? []), name];
    const own = new Parser(this.tokens.slice(this.at), { ...this.reading, variables });
    const of = own.product();
    this.at += own.at;
    return of;
  }

  whole(): Tree {
    const tree = this.list();
    if (this.now.type !== 'end') this.fail();
    return tree;
  }

  /** Elements with separators between them; one alone stays itself. */
  protected list(): Tree {
    const first = this.either();
    if (!this.is(',') && !this.is(';')) return first;
    const items = [first];
    while (this.took(',') || this.took(';')) items.push(this.either());
    return this.made({ type: 'collection', open: '', close: '', items });
  }

  protected either(): Tree {
    return this.logic('or', () => this.logic('and', () => this.relation()));
  }

  private logic(how: 'and' | 'or', part: () => Tree): Tree {
    const first = part();
    if (!this.is(how)) return first;
    const parts = [first];
    while (this.took(how)) parts.push(part());
    return this.made({ type: 'logic', how, parts });
  }

  protected relation(): Tree {
    const first = this.sets();
    const parts = [first];
    const signs: Relation[] = [];
    while (this.now.type === 'sign' && RELATION_SIGNS.has(this.now.text)) {
      signs.push(this.now.text as Relation);
      this.at += 1;
      parts.push(this.sets());
    }
    return signs.length === 0 ? first : this.made({ type: 'relation', parts, signs });
  }

  private sets(): Tree {
    let left = this.sum();
    for (;;) {
      const how = this.took('∪') ? 'union' : this.took('∩') ? 'intersection' : this.took('∖') ? 'without' : null;
      if (!how) return left;
      left = this.made({ type: 'setOperation', how, left, right: this.sum() });
    }
  }

  protected sum(): Tree {
    return this.deeper(() => {
      let left = this.signed();
      for (;;) {
        if (this.took('+')) left = this.made({ type: 'add', left, right: this.signed() });
        else if (this.took('-')) left = this.made({ type: 'subtract', left, right: this.signed() });
        else if (this.is('±') || this.is('∓')) {
          const flipped = this.took('∓') || !this.took('±');
          left = this.made({ type: 'plusMinus', left, right: this.signed(), flipped });
        } else return left;
      }
    });
  }

  private signed(): Tree {
    if (this.took('-')) return this.made({ type: 'negate', of: this.deeper(() => this.signed()) });
    if (this.took('+')) return this.deeper(() => this.signed());
    if (this.is('±') || this.is('∓')) {
      const flipped = this.took('∓') || !this.took('±');
      return this.made({ type: 'plusMinus', left: null, right: this.deeper(() => this.signed()), flipped });
    }
    return this.product();
  }

  protected product(): Tree {
    let left = this.factor();
    for (;;) {
      if (this.took('*')) left = this.made({ type: 'multiply', left, right: this.signedFactor(), beside: false });
      else if (this.took('/') || this.took(':')) {
        let right = this.signedFactor();
        while (this.besideFollows(right)) {
          this.doubts.add('tight-denominator');
          if (!this.reading.tightDenominators) break;
          right = this.made({ type: 'multiply', left: right, right: this.factor(), beside: true });
        }
        left = this.made({ type: 'divide', left, right, built: false });
      } else if (this.besideFollows(left)) {
        left = this.made({ type: 'multiply', left, right: this.factor(), beside: true });
      } else return left;
    }
  }

  private signedFactor(): Tree {
    if (this.took('-')) return this.made({ type: 'negate', of: this.deeper(() => this.signedFactor()) });
    if (this.took('+')) return this.deeper(() => this.signedFactor());
    return this.factor();
  }

  /** Whether a further factor stands right beside; two numbers side by side are no product. */
  protected besideFollows(before: Tree): boolean {
    const { type, text } = this.now;
    if (type === 'end') return false;
    if (type === 'number') {
      if (endsInDigits(before)) throw new Unreadable('Two numbers stand side by side.');
      return true;
    }
    if (type === 'name' || type === 'function') return true;
    if (text === '|') return this.bars === 0 && !this.barSeparates();
    if (text === '[') return this.matrixAhead();
    if (text === 'frac' && before.type === 'number')
      throw new Unreadable('A number and a fraction stand side by side.');
    return (
      ['(', 'sqrt', 'cbrt', 'frac', 'binom', '⌊', '⌈', '∞', 'sum', 'product', 'integral'].includes(text) ||
      text.startsWith('accent ') ||
      text.startsWith('begin ') ||
      (text === '{' && !CLOSERS.has(text))
    );
  }

  private matrixAhead(): boolean {
    const next = this.tokens[this.at + 1];
    return next?.type === 'sign' && next.text === '[';
  }

  /** A bar between the elements of a pair: inside round brackets, with no other bar to close it. */
  private barSeparates(): boolean {
    let level = 0;
    for (let i = this.at + 1; i < this.tokens.length; i++) {
      const { type, text } = this.tokens[i] ?? { type: 'end', text: '' };
      if (type === 'end') return false;
      if (text === '(' || text === '[' || text === '{') level += 1;
      if (text === ')' || text === ']' || text === '}') {
        level -= 1;
        if (level < 0) return true;
      }
      if (text === '|' && level === 0) return false;
    }
    return false;
  }

  protected factor(): Tree {
    return this.deeper(() => {
      const base = this.postfix(this.atom());
      if (!this.took('^')) return base;
      return this.powered(base);
    });
  }

  /** A base with its exponent read; powers bind to the right. */
  private powered(base: Tree): Tree {
    if (this.took('°')) return this.made({ type: 'degrees', of: base });
    const right = this.exponent();
    if (right.type === 'degrees' && right.of.type === 'number' && right.of.text === '') {
      return this.made({ type: 'degrees', of: base });
    }
    const tree = this.postfix(this.made({ type: 'power', left: base, right }));
    return this.is('^') ? this.fail() : tree;
  }

  protected exponent(): Tree {
    if (this.took('{')) {
      if (this.took('°')) {
        this.need('}');
        return { type: 'degrees', of: { type: 'number', value: exact(0), text: '' } };
      }
      const tree = this.sum();
      this.need('}');
      return this.made({ type: 'group', of: tree });
    }
    if (this.took('-')) return this.made({ type: 'negate', of: this.deeper(() => this.exponent()) });
    if (this.took('+')) return this.deeper(() => this.exponent());
    return this.deeper(() => {
      const base = this.postfix(this.atom());
      return this.took('^') ? this.made({ type: 'power', left: base, right: this.exponent() }) : base;
    });
  }

  private postfix(tree: Tree): Tree {
    let of = tree;
    for (;;) {
      if (this.took('!')) of = this.made({ type: 'factorial', of });
      else if (this.took('%')) of = this.made({ type: 'percent', of });
      else if (this.took('°')) of = this.made({ type: 'degrees', of });
      else return of;
    }
  }

  protected atom(): Tree {
    const token = this.now;
    if (token.type === 'number') return this.number();
    if (token.type === 'name') return this.name();
    if (token.type === 'function') return this.call();
    this.at += 1;
    switch (token.text) {
      case '(':
      case '[':
      case ']':
      case '{':
      case '{set':
      case '⟨':
        return this.brackets(token.text);
      case '<':
        return this.pointed();
      case '|': {
        this.bars += 1;
        const of = this.deeper(() => this.sum());
        this.bars -= 1;
        this.need('|');
        return this.made({ type: 'call', name: 'abs', args: [of] });
      }
      case '⌊':
      case '⌈': {
        const of = this.inside();
        this.need(token.text === '⌊' ? '⌋' : '⌉');
        return this.made({ type: 'call', name: token.text === '⌊' ? 'floor' : 'ceiling', args: [of] });
      }
      case 'frac': {
        const left = this.argument();
        return this.made({ type: 'divide', left, right: this.argument(), built: true });
      }
      case 'binom': {
        if (token.command) {
          const top = this.argument();
          return this.made({ type: 'call', name: 'binomial', args: [top, this.argument()] });
        }
        return this.made({ type: 'call', name: 'binomial', args: this.plainArguments(2) });
      }
      case 'sqrt':
        return this.root(token);
      case 'cbrt':
        return this.made({ type: 'call', name: 'root', args: [this.rootArgument(token), this.three()] });
      case 'sum':
      case 'product':
        return this.series(token.text);
      case 'integral':
      case 'limit':
        return this.unworked(token.text);
      case '∞':
        return this.made({ type: 'constant', name: 'infinity' });
      case 'ℝ':
        return this.made({ type: 'reals' });
      case '∅':
        return this.made({ type: 'collection', open: '{', close: '}', items: [] });
      default:
        if (token.text.startsWith('begin ')) return this.environment(token.text.slice(6));
        if (token.text.startsWith('accent ')) return this.accented(token.text.slice(7));
        this.at -= 1;
        return this.fail();
    }
  }

  private three(): Tree {
    return { type: 'number', value: exact(3), text: '3' };
  }

  protected inside(): Tree {
    const { bars } = this;
    this.bars = 0;
    const tree = this.deeper(() => this.list());
    this.bars = bars;
    return tree;
  }

  private number(): Tree {
    const { text, value } = this.now;
    this.at += 1;
    const number = this.made({ type: 'number' as const, text, value: value ?? exact(0) });
    if (!/^\d+$/.test(text)) return number;
    // 3 1/4 and 3\frac{1}{4} are mixed numbers.
    const [next, slash, below] = [this.now, this.tokens[this.at + 1], this.tokens[this.at + 2]];
    if (
      next.type === 'number' &&
      next.apart &&
      /^\d+$/.test(next.text) &&
      slash?.text === '/' &&
      below?.type === 'number' &&
      /^\d+$/.test(below.text)
    ) {
      this.at += 3;
      const [left, right] = [next, below].map(
        ({ text: t, value: v }): Tree => ({ type: 'number', text: t, value: v ?? exact(0) }),
      );
      if (left && right)
        return this.made({ type: 'mixed', whole: number, part: { type: 'divide', left, right, built: false } });
    }
    if (this.is('frac')) {
      const from = this.at;
      const part = this.atom();
      const numeric = part.type === 'divide' && [part.left, part.right].every((side) => bare(side).type === 'number');
      if (numeric) return this.made({ type: 'mixed', whole: number, part });
      this.at = from;
    }
    return number;
  }

  private name(): Tree {
    let { text } = this.now;
    this.at += 1;
    if (this.is('_')) {
      this.at += 1;
      text += `_${this.subscript()}`;
    } else if (this.now.type === 'number' && !this.now.apart && this.reading.known?.has(`${text}_${this.now.text}`)) {
      text += `_${this.now.text}`;
      this.at += 1;
    }
    while (this.took("'")) text += "'";
    const declared = this.reading.variables?.some((name) => name.replace(/^\\/, '') === text) ?? false;
    if (!declared && (text === 'pi' || text === 'e' || text === 'i'))
      return this.made({ type: 'constant', name: text });
    return this.made({ type: 'name', name: text });
  }

  /** The letters and digits below the line, as part of a name. */
  private subscript(): string {
    if (!this.took('{')) {
      const { type, text } = this.now;
      if (type === 'end' || type === 'sign') this.fail();
      this.at += 1;
      return text;
    }
    let text = '';
    while (!this.took('}')) {
      if (this.now.type === 'end') this.fail();
      text += this.now.text;
      this.at += 1;
    }
    return text;
  }

  private accented(accent: string): Tree {
    const inner = bare(this.argument());
    if (inner.type !== 'name') this.fail();
    return this.made({ type: 'name', name: `${inner.name} ${accent}` });
  }
}

function endsInDigits(tree: Tree): boolean {
  return (
    tree.type === 'number' ||
    tree.type === 'mixed' ||
    (tree.type === 'multiply' && endsInDigits(tree.right)) ||
    (tree.type === 'divide' && !tree.built && endsInDigits(tree.right)) ||
    (tree.type === 'power' && tree.right.type === 'number')
  );
}
