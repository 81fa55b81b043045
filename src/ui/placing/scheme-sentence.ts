import type { PlacingScheme } from '@/core/rules/placing/rules';

interface Told {
  scheme: PlacingScheme;
  /** How often each thing that earns a part counts. */
  worth: readonly number[];
  /** One right thing, for example "name on its place". */
  what: string;
}

/** What earns marks, in one sentence. */
export function schemeSentence({ scheme, worth, what }: Told): string {
  const of = worth.length;
  if (scheme === 'whole')
    return `${of === 1 ? 'The one' : `All ${of}`} right and nothing wrong: the marks; anything else earns nothing.`;
  if (of === 1) {
    const wrong = scheme === 'by-part' ? 'a wrong one costs nothing' : 'a wrong one takes them back; never below 0';
    return `A ${what} earns the marks; ${wrong}.`;
  }
  const all = worth.reduce((sum, one) => sum + one, 0);
  const part = `Each ${what} earns 1/${all} of the marks${all > of ? ', as often as it counts' : ''}`;
  return scheme === 'by-part'
    ? `${part}; a wrong one costs nothing.`
    : `${part}, each wrong one takes as much back; never below 0.`;
}
