import { type Token, Unreadable } from './tokens';
import type { Tree } from './tree';
import type { Reading } from './words';

/** Formulas are read to this depth, and with so many parts. */
const DEEPEST = 100;
const LARGEST = 1500;

/** What of a text can be read in two ways: what follows an inline slash, or a lone group of three digits. */
export type Doubt = 'tight-denominator' | 'lone-group';

/** A place in the tokens of a formula, and what is allowed to grow there. */
export class Cursor {
  readonly doubts = new Set<Doubt>();
  protected at = 0;
  protected depth = 0;
  protected size = 0;
  /** How many bars of an absolute value are open. */
  protected bars = 0;
  protected readonly tokens: Token[];
  protected readonly reading: Reading;

  constructor(tokens: Token[], reading: Reading) {
    this.tokens = tokens;
    this.reading = reading;
    if (tokens.some((t) => t.doubtful)) this.doubts.add('lone-group');
  }

  protected get now(): Token {
    return this.tokens[this.at] ?? { type: 'end', text: '', apart: false };
  }

  protected is(sign: string): boolean {
    return this.now.type === 'sign' && this.now.text === sign;
  }

  protected took(sign: string): boolean {
    if (!this.is(sign)) return false;
    this.at += 1;
    return true;
  }

  protected need(sign: string): void {
    if (!this.took(sign)) this.fail();
  }

  protected fail(): never {
    const { type, text } = this.now;
    throw new Unreadable(type === 'end' ? 'Something is missing at the end.' : `“${text}” cannot stand here.`);
  }

  protected made<T extends Tree>(tree: T): T {
    this.size += 1;
    if (this.size > LARGEST) throw new Unreadable('It has too many parts.');
    return tree;
  }

  protected deeper<T>(read: () => T): T {
    this.depth += 1;
    if (this.depth > DEEPEST) throw new Unreadable('It is nested too deep.');
    const result = read();
    this.depth -= 1;
    return result;
  }
}
