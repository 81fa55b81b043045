import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { KIND_NAMES } from '@/core/kinds/names';
import { kindOf } from '@/core/kinds/registry';
import { PrintedSlot } from '@/ui/kinds/PrintedSlot';
import { sampleOf } from '../drivers/kind-samples';

/** What every kind prints. */
describe.each(KIND_NAMES)('kind %s on paper', (name) => {
  const kind = kindOf(name);
  const { setup } = sampleOf(name);
  const printed = (of: unknown, seed: number | null = 3): string =>
    renderToStaticMarkup(<PrintedSlot kind={name} sheet={kind.sheet(of, seed)} drawn={{}} />);

  it('is drawn with room to write and nothing to click or type into', () => {
    const html = printed(setup);
    expect(html.length).toBeGreaterThan(20);
    expect(html).not.toMatch(/<(input|select|textarea|math-field)\b/);
    // Fresh, as somebody prints it who has not finished.
    expect(() => printed(kind.fresh())).not.toThrow();
  });

  it('has every letter that an answer can be written with', () => {
    const key = kind.marked?.key(setup);
    const written = key ? kind.lettered?.written(kind.sheet(setup, 3), key) : null;
    const letters = (written ?? '').match(/\b[a-z]\b/g) ?? [];
    const html = printed(setup);
    for (const letter of letters) expect(html).toContain(`<b>${letter}</b>`);
    if (kind.lettered && written !== null && written !== undefined) expect(letters.length).toBeGreaterThan(0);
  });
});
