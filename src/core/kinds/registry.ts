import { choice } from './choice/choice';
import type { Kind } from './contract';
import { longAnswer } from './long-answer/long-answer';
import { maths } from './maths/maths';
import { number } from './number/number';
import { places } from './places/places';
import { shortText } from './short-text/short-text';

/** Every kind of slot there is. A new kind adds one line here and one in `ui/kinds/registry`. */
export const kinds = { choice, shortText, number, maths, places, longAnswer };

export type KindName = keyof typeof kinds;
export const KIND_NAMES = Object.keys(kinds) as KindName[];

/** A kind whose types are not known at the place of use; what goes in was validated by its own schema. */
export type AnyKind = Kind<unknown, unknown, unknown>;

export function kindOf(name: KindName): AnyKind {
  return kinds[name] as unknown as AnyKind;
}
