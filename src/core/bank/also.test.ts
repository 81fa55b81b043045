import { describe, expect, it } from 'vitest';
import { label } from '../kinds/label/label';
import { sample } from '../kinds/label/sample';
import { order } from '../kinds/order/order';
import { sample as orderSample } from '../kinds/order/sample';
import { shortText } from '../kinds/short-text/short-text';
import { keyedBy, MOST_ALSO, withAlso, withoutAlso } from './also';
import { markSlot } from './mark';
import type { Slot } from './question';

const names: Slot = { kind: 'label', marks: '3', setup: sample.setup };
const placed = (...items: string[]): unknown => ({
  version: 1,
  placed: items.map((item, i) => ({ item, place: `p${i + 1}` })),
});
const marksOf = (slot: Slot, response: unknown): string | undefined => markSlot(slot, response).marks?.toFraction();

describe('another whole answer', () => {
  it('is one that fills every place; a part of one never becomes a key', () => {
    expect(keyedBy(names, placed('n2', 'n1', 'n3'))).not.toBeNull();
    expect(keyedBy(names, placed('n2'))).toBeNull();
    expect(keyedBy(names, placed('n9', 'n1', 'n3'))).toBeNull();
    const partly = withAlso(names, placed('n1'));
    expect(marksOf(partly, placed('n1', 'n3', 'n2'))).toBe('1');
  });

  it('marks with all marks, and what is near it by its distance', () => {
    const both = withAlso(names, placed('n2', 'n1', 'n3'));
    expect([marksOf(both, placed('n2', 'n1', 'n3')), marksOf(both, placed('n1', 'n2', 'n3'))]).toEqual(['3', '3']);
    expect([marksOf(both, placed('n2', 'n1', 'n4')), marksOf(names, placed('n2', 'n1', 'n4'))]).toEqual(['2', '0']);
  });

  it('of an order is another order', () => {
    const steps: Slot = { kind: 'order', marks: '4', setup: orderSample.setup };
    const given = (...ids: string[]): unknown => ({ version: 1, order: ids });
    const both = withAlso(steps, given('p2', 'p1', 'p3', 'p4'));
    expect([marksOf(steps, given('p2', 'p1', 'p3', 'p4')), marksOf(both, given('p2', 'p1', 'p3', 'p4'))]).toEqual([
      '2',
      '4',
    ]);
  });

  it('is kept once, twenty at most, and taken out again', () => {
    const answer = placed('n2', 'n1', 'n3');
    const once = withAlso(withAlso(names, answer), placed('n2', 'n1', 'n3'));
    expect(once.also).toEqual([answer]);
    expect(withoutAlso(once, once.also?.[0])).toEqual(names);
    const many = Array.from({ length: 30 }, (_, i) => i).reduce(withAlso, names);
    expect(many.also).toHaveLength(MOST_ALSO);
  });

  it('is none where the kind knows one key only', () => {
    expect(keyedBy({ kind: 'shortText', marks: '1', setup: shortText.fresh() }, { version: 1, text: 'a' })).toBeNull();
    expect(label.marked.keyed).toBeDefined();
    expect(order.marked.keyed).toBeDefined();
  });
});
