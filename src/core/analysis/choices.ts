import { groupSize, thirds, weighedMean } from './items';
import { correlation, mean } from './numbers';

/** Who chose an option, or gave an answer. */
export interface ChoiceFigures<Option> {
  option: Option;
  chosen: number;
  /** Of all persons, 0 to 1. */
  share: number;
  /** Of the best and of the weakest, 0 to 1. */
  upper: number;
  lower: number;
  /** Correlation of choosing it with what a person has in the other items; null where nothing varies. */
  withRest: number | null;
  /** Mean total of those who chose it; null where nobody did. */
  meanTotal: number | null;
}

/**
 * What each option of an item was chosen by. `given` is what each person chose,
 * `all` the total of each, `rest` the total without the item; `share` says how
 * many count as the best and the weakest.
 */
export function choiceFigures<Option>(
  options: readonly Option[],
  given: readonly Option[],
  { all, rest, share }: { all: readonly number[]; rest: readonly number[]; share: number },
): ChoiceFigures<Option>[] {
  const { upper, lower } = thirds(all, groupSize(all.length, share));
  return options.map((option) => {
    const chose = given.map((one) => (one === option ? 1 : 0));
    const who = all.filter((_, p) => chose[p] === 1);
    return {
      option,
      chosen: who.length,
      share: mean(chose),
      upper: weighedMean(chose, upper),
      lower: weighedMean(chose, lower),
      withRest: correlation(chose, rest),
      meanTotal: who.length === 0 ? null : mean(who),
    };
  });
}
