import { isJoined, type Joined, LONGEST_PHRASE, type Wording } from './wordings';

const PATTERN = /^pattern:\s*/i;

/** A wording as it is typed in a line: "oxygen / O2 + lungs / alveoli", "pattern: \d+". */
export function wordingText(one: Wording): string {
  if (typeof one === 'string') return one;
  return isJoined(one) ? one.parts.map((part) => part.join(' / ')).join(' + ') : `pattern: ${one.pattern}`;
}

/**
 * What was typed as a wording: parts that belong together with "+" between
 * them, and alternatives of a part with " / ". How near they have to stand is
 * kept from a wording of the same words. Null when nothing was typed.
 */
export function wordingFrom(typed: string, known: readonly Wording[] = []): Wording[] {
  const text = typed.trim().slice(0, 2000);
  if (text === '') return [];
  const before = known.find((one) => wordingText(one) === text);
  if (before !== undefined) return [before];
  if (PATTERN.test(text)) {
    const pattern = text.replace(PATTERN, '').slice(0, 500);
    return pattern === '' ? [] : [{ pattern }];
  }
  const parts = text
    .split(/\s\+\s/)
    .map((part) => alternatives(part))
    .filter((part) => part.length > 0);
  const [only = []] = parts;
  if (parts.length <= 1) return only;
  const like = known.find(
    (one): one is Joined => typeof one !== 'string' && isJoined(one) && one.parts.length === parts.length,
  );
  return [{ where: 'sentence', ...like, parts: parts.slice(0, 40) }];
}

function alternatives(part: string): string[] {
  return part
    .split(/\s\/\s/)
    .map((one) => one.trim().slice(0, LONGEST_PHRASE))
    .filter((one) => one !== '');
}

/** The wordings typed in a field, with semicolons or lines between them. */
export function wordingsFrom(typed: string, known: readonly Wording[] = []): Wording[] {
  const lines = /^\s*pattern:/i.test(typed) ? typed.split('\n') : typed.split(/[;\n]/);
  return lines.flatMap((one) => wordingFrom(one, known)).slice(0, 60);
}

/** How a field shows them. */
export const wordingsText = (list: readonly Wording[]): string => list.map(wordingText).join('; ');
