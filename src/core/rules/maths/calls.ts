import { exact } from '../../base/exact';
import { Structures } from './structures';
import { type Token, Unreadable } from './tokens';
import { bare, type FunctionName, type Tree } from './tree';
import { INVERSE } from './words';

/** What ends a part of a formula. */
export const CLOSERS = new Set([
  ')',
  ']',
  '}',
  '}set',
  '⟩',
  '⌋',
  '⌉',
  'end',
  'row',
  '&',
  ',',
  ';',
  'and',
  'or',
  'if',
  'otherwise',
  '→',
]);

/** What takes arguments: functions with and without brackets, roots, commands. */
export abstract class Calls extends Structures {
  protected abstract inside(): Tree;
  protected abstract factor(): Tree;
  protected abstract atom(): Tree;
  protected abstract besideFollows(before: Tree): boolean;

  /** What a command takes: a group, or the next digit or sign alone. */
  protected argument(): Tree {
    if (this.took('{')) {
      const tree = this.inside();
      this.need('}');
      return this.made({ type: 'group', of: tree });
    }
    const digit = this.digit();
    if (digit) return digit;
    if (this.now.type === 'sign' && CLOSERS.has(this.now.text)) this.fail();
    return this.atom();
  }

  /** The first digit of a number, which is all that a command without braces takes. */
  protected digit(): Tree | null {
    const token = this.now;
    if (token.type !== 'number' || !/^\d+$/.test(token.text)) return null;
    if (token.text.length === 1) this.at += 1;
    else
      this.tokens[this.at] = { ...token, text: token.text.slice(1), value: exact(token.text.slice(1)), apart: false };
    return this.made({ type: 'number', text: token.text.charAt(0), value: exact(token.text.charAt(0)) });
  }

  protected root(token: Token): Tree {
    let order: Tree | null = null;
    if (token.command && this.took('[')) {
      order = this.inside();
      this.need(']');
    }
    const of = this.rootArgument(token);
    return this.made({
      type: 'call',
      name: 'root',
      args: [of, order ?? { type: 'number', value: exact(2), text: '2' }],
    });
  }

  protected rootArgument(token: Token): Tree {
    if (this.is('{')) return this.argument();
    if (token.command) {
      const digits = this.now;
      // After a sign such as √ the whole number stands below it; after a command only its first digit.
      const digit = digits.apart ? null : this.digit();
      if (digit) return digit;
    }
    return this.is('(') ? this.atom() : this.factor();
  }

  protected call(): Tree {
    const { text } = this.now;
    this.at += 1;
    let name = text;
    let base: Tree | null = null;
    let power: Tree | null = null;
    if ((name === 'log' || name === 'lg') && this.took('_'))
      base = this.is('{') ? this.argument() : (this.commandBefore() && this.digit()) || this.atom();
    if (this.took('^')) power = this.exponent();
    if (power && isMinusOne(power) && Object.hasOwn(INVERSE, name)) {
      name = INVERSE[name as FunctionName] ?? name;
      power = null;
    }
    const args = this.callArguments();
    const tree = this.made(asCall(name, args, base ?? this.defaultBase(name)));
    if (power) return this.made({ type: 'power', left: tree, right: power });
    return tree;
  }

  private commandBefore(): boolean {
    return Boolean(this.tokens[this.at - 2]?.command);
  }

  private defaultBase(name: string): Tree {
    if (name === 'lb') return { type: 'number', value: exact(2), text: '2' };
    if (name === 'log' && this.reading.logBase === 'e') return { type: 'constant', name: 'e' };
    return { type: 'number', value: exact(10), text: '10' };
  }

  protected callArguments(): Tree[] {
    if (this.took('(')) {
      const inner = this.inside();
      this.need(')');
      return inner.type === 'collection' && inner.open === '' ? inner.items : [inner];
    }
    if (this.is('{')) return [this.argument()];
    return [this.deeper(() => this.openArgument())];
  }

  protected plainArguments(count: number): Tree[] {
    const args = this.callArguments();
    return args.length === count ? args : this.fail();
  }

  /** What a function without brackets takes: the product beside it, up to a sign or the next function. */
  private openArgument(): Tree {
    if (this.took('-')) return this.made({ type: 'negate', of: this.openArgument() });
    let tree = this.factor();
    while (this.now.type !== 'function' && this.besideFollows(tree)) {
      if (this.is('(') && tree.type !== 'number') break;
      tree = this.made({ type: 'multiply', left: tree, right: this.factor(), beside: true });
    }
    return tree;
  }
}

function isMinusOne(tree: Tree): boolean {
  const power = bare(tree);
  return (
    power.type === 'negate' && bare(power.of).type === 'number' && (bare(power.of) as { text: string }).text === '1'
  );
}

function asCall(name: string, args: Tree[], base: Tree): Tree {
  const [first] = args;
  if (!first) throw new Unreadable('A function has nothing to work on.');
  if (name === 'log' || name === 'lg' || name === 'lb') {
    if (args.length > 2) throw new Unreadable('A logarithm has one argument.');
    return { type: 'call', name: 'log', args: [first, base] };
  }
  if (name !== 'min' && name !== 'max' && args.length > 1) throw new Unreadable('This function has one argument.');
  return { type: 'call', name: name as FunctionName, args };
}
