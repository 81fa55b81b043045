import { describe, expect, it } from 'vitest';
import { stored } from '../../base/exact';
import { order, type OrderSetup } from './order';

/** Letters that make the first word; the others are too many. */
const letters = (word: string, extra = '', scheme: OrderSetup['scheme'] = 'place'): OrderSetup => {
  const all = [...word, ...extra].map((text, i) => ({ id: `l${i}`, text }));
  const rest = all.slice(word.length);
  return {
    ...order.fresh(),
    items: all.slice(0, word.length),
    ...(rest.length > 0 ? { extra: rest } : {}),
    look: 'across',
    scheme,
  };
};

/** The share for a word, laid with the letters from the left. */
function share(setup: OrderSetup, word: string): string {
  const left = [...setup.items, ...(setup.extra ?? [])];
  const ids = [...word].map((letter) => {
    const at = left.findLastIndex(({ text }) => text === letter);
    return left.splice(at, 1)[0]?.id ?? '';
  });
  expect(order.accepts(setup, { order: ids })).toBe(true);
  const marking = order.marked.mark(setup, { order: ids });
  return marking.state === 'marked' ? stored(marking.share) : 'waits';
}

describe('letters to a word', () => {
  it('stand for one another where they are equal', () => {
    const rotor = letters('rotor');
    expect(order.readiness(rotor)).toEqual([]);
    // The last "r" of the list is laid first.
    expect(share(rotor, 'rotor')).toBe('1');
    expect(share({ ...rotor, scheme: 'whole' }, 'rotor')).toBe('1');
    expect(share({ ...rotor, scheme: 'neighbours' }, 'rotor')).toBe('1');
    expect(share({ ...rotor, scheme: 'neighbours' }, 'orotr')).toBe('3/4');
    expect(order.readiness(letters('ooo')).map(({ code }) => code)).toEqual(['order-one']);
  });

  it('may be left out where some do not belong, and one too many takes its part', () => {
    const hub = letters('hub', 'e');
    expect([share(hub, 'hub'), share(hub, 'hube'), share(hub, 'ehub'), share(hub, 'hu')]).toEqual([
      '1',
      '3/4',
      '0',
      '2/3',
    ]);
    const run = { ...hub, scheme: 'run' as const };
    expect([share(run, 'hub'), share(run, 'hueb'), share(run, 'bhu')]).toEqual(['1', '3/4', '2/3']);
    const whole = { ...hub, scheme: 'whole' as const };
    expect([share(whole, 'hub'), share(whole, 'hube'), share(whole, 'hu')]).toEqual(['1', '0', '0']);
    const neighbours = { ...hub, scheme: 'neighbours' as const };
    expect([share(neighbours, 'hub'), share(neighbours, 'hube'), share(neighbours, 'h')]).toEqual(['1', '2/3', '0']);
  });

  it('are all to be used where all belong', () => {
    expect(order.accepts(letters('hub'), { order: ['l0', 'l1'] })).toBe(false);
    expect(order.accepts(letters('hub', 'e'), { order: ['l0', 'l0'] })).toBe(false);
    expect(order.sheet(letters('hub'), 1).leave).toBe(false);
    expect(order.sheet(letters('hub', 'e'), 1)).toMatchObject({ leave: true, items: { length: 4 } });
  });

  it('that are equal are one answer, and another word from the same letters can be right too', () => {
    const rotor = letters('rotor', 's');
    expect(order.gist(rotor, { order: ['l0', 'l1', 'l2', 'l3', 'l4'] })).toBe(
      order.gist(rotor, { order: ['l4', 'l3', 'l2', 'l1', 'l0'] }),
    );
    const other = order.marked.keyed?.(rotor, { order: ['l1', 'l2', 'l5'] });
    expect(other?.items.map(({ text }) => text).join('')).toBe('ots');
    expect(other?.extra?.map(({ text }) => text).join('')).toBe('ror');
  });
});
