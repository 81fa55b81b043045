import { z } from 'zod';
import type { Given } from '../../rules/placing/rules';
import { type Marking, waits } from '../../rules/marking';
import { partId } from '../../rules/placing/placed';
import { markText, rulesFromKey } from '../../rules/text/rules';
import { foldCapitals, plainReading } from '../../rules/text/normalise';
import { placeName } from '../../content/board';
import type { LabelName, LabelPlace } from './label';

/** What was typed at the places, where no names are given to choose from. */
export const typedLines = z.array(z.object({ place: partId, text: z.string().max(300) })).max(40);
export type TypedLine = z.infer<typeof typedLines>[number];

/** As the lines are compared with each other: capitals and spaces away. */
export const plainLine = (text: string): string => foldCapitals(plainReading(text));

const written = (typed: readonly TypedLine[]): TypedLine[] => typed.filter(({ text }) => text.trim() !== '');

/** No other spelling, ending or slip makes a line longer by more signs than this. */
const MOST_FORGIVEN = 12;

/** Reads lines as names: by the very words before anything is forgiven. The rules of a name are made once, however many lines there are. */
function reader(names: readonly LabelName[]): (text: string, first: ReadonlySet<string>) => LabelName | undefined {
  const known = names.map((name) => {
    const rules = rulesFromKey(name.text);
    const wordings = rules.rules.flatMap((rule) => (rule.when === 'exact' ? rule.answers.map(plainLine) : []));
    return { name, rules, wordings };
  });
  return (text, first) => {
    const plain = plainLine(text);
    const inOrder = [...known.filter(({ name }) => first.has(name.id)), ...known];
    const same = inOrder.find(({ wordings }) => wordings.includes(plain));
    const forgiven = ({ rules, wordings }: (typeof known)[number]): boolean => {
      if (plain.length > Math.max(0, ...wordings.map(({ length }) => length)) + MOST_FORGIVEN) return false;
      const marking = markText(rules, text);
      return marking.state === 'marked' && marking.share.equals(1);
    };
    return (same ?? inOrder.find(forgiven))?.name;
  };
}

/**
 * What was typed, as names of the list: one that is right at its place before
 * any other. Words that are no name of the list wait for a person, and the
 * slot with them.
 */
export function typedAsGiven(
  { places, names }: { places: readonly LabelPlace[]; names: readonly LabelName[] },
  typed: readonly TypedLine[],
): Given[] | Marking {
  const nameOf = reader(names);
  const read = written(typed).map(({ place, text }) => {
    const accepts = places.find(({ id }) => id === place)?.accepts ?? [];
    return { at: place, name: text, what: nameOf(text, new Set(accepts))?.id ?? null };
  });
  const unread = read.filter(({ what }) => what === null);
  if (unread.length > 0) {
    const at = (place: string): string => placeName(places.findIndex(({ id }) => id === place));
    const steps = unread.map(({ at: place, name }) => ({
      code: 'label-unread',
      values: { at: at(place) },
      evidence: [name],
    }));
    return waits(steps);
  }
  return read.map(({ at, name, what }) => ({ at, name, what: what ?? '' }));
}
