import type { PlacingScheme } from '@/core/rules/placing/rules';

/** What earns marks, in one sentence. `what`: one right thing, for example "name on its place". */
export function schemeSentence({ scheme, of, what }: { scheme: PlacingScheme; of: number; what: string }): string {
  if (scheme === 'whole')
    return `${of === 1 ? 'The one' : `All ${of}`} right and nothing wrong: the marks; anything else earns nothing.`;
  if (of === 1) {
    const wrong = scheme === 'by-part' ? 'a wrong one costs nothing' : 'a wrong one takes them back; never below 0';
    return `A ${what} earns the marks; ${wrong}.`;
  }
  const part = `Each ${what} earns 1/${of} of the marks`;
  return scheme === 'by-part'
    ? `${part}; a wrong one costs nothing.`
    : `${part}, each wrong one takes as much back; never below 0.`;
}
