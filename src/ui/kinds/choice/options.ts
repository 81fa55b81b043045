import type { ChoiceSetup } from '@/core/kinds/choice/choice';

export type Option = ChoiceSetup['options'][number];

export const MOST_OPTIONS = 26;

function freshOption(options: readonly Option[], text = ''): Option {
  const used = new Set(options.map((o) => o.id));
  let n = 1;
  while (used.has(`o${n}`)) n += 1;
  return { id: `o${n}`, text, key: false, feedback: '' };
}

/** The options with an empty one at a place; as they were when there are as many as can be. */
export function withOption(options: readonly Option[], at: number): Option[] {
  if (options.length >= MOST_OPTIONS) return [...options];
  return [...options.slice(0, at), freshOption(options), ...options.slice(at)];
}

export function without(options: readonly Option[], id: string): Option[] {
  return options.filter((o) => o.id !== id);
}

export function moved(options: readonly Option[], from: number, to: number): Option[] {
  const option = options[from];
  if (!option || to < 0) return [...options];
  const rest = without(options, option.id);
  return [...rest.slice(0, to), option, ...rest.slice(to)];
}

/** Bullets, letters and ticks before an option of a list that was written elsewhere. */
const SIGN = /^\s*(?:[-•·–▪*]\s+|\(?[a-zA-Z0-9]{1,2}[.)]\s+)?(\[[ xX✓]\]\s*|[*✓]\s*)?/;

/**
 * A pasted list as options, a line each, from a place on: it fills empty options and pushes the others down. Lines with
 * "*", "✓" or "[x]" before them are marked as right, if only one may be chosen the first of them.
 */
export function withLines(options: readonly Option[], at: number, text: string, several: boolean): Option[] {
  const lines = text.split(/\r?\n/).filter((line) => line.trim() !== '');
  const next = [...options];
  let place = at;
  let marked = false;
  for (const line of lines) {
    const [sign, tick = ''] = SIGN.exec(line) ?? [''];
    const key: boolean = /[*✓xX]/.test(tick) && (several || !marked);
    marked ||= key;
    const there = next[place];
    const words = line.slice(sign.length).trim().slice(0, 2000) || line.trim();
    if (there && there.text === '') next[place] = { ...there, text: words, key: there.key || key };
    else if (next.length < MOST_OPTIONS) next.splice(place, 0, { ...freshOption(next, words), key });
    else break;
    place += 1;
  }
  if (!several && marked) {
    const right = next.slice(at, place).find((o) => o.key);
    return next.map((o) => ({ ...o, key: o.id === right?.id }));
  }
  return next;
}
