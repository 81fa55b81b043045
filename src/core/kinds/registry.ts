import { choice } from './choice/choice';
import type { Kind, Typed } from './contract';
import { draw } from './draw/draw';
import { gaps } from './gaps/gaps';
import { handIn } from './hand-in/hand-in';
import { judgeOwn } from './judge-own/judge-own';
import { label } from './label/label';
import { longAnswer } from './long-answer/long-answer';
import { match } from './match/match';
import { maths } from './maths/maths';
import { menu } from './menu/menu';
import { KIND_NAMES, type KindName } from './names';
import { number } from './number/number';
import { formulaWithPlaces } from './formula-with-places/formula-with-places';
import { order } from './order/order';
import { record } from './record/record';
import { say } from './say/say';
import { scale } from './scale/scale';
import { select } from './select/select';
import { shortText } from './short-text/short-text';
import { sort } from './sort/sort';
import { spots } from './spots/spots';

/** Every kind of slot there is. A new kind adds its name in `names`, one line here and one in `ui/kinds/registry`. */
export const kinds = {
  choice,
  menu,
  shortText,
  number,
  maths,
  formulaWithPlaces,
  longAnswer,
  handIn,
  draw,
  record,
  say,
  judgeOwn,
  scale,
  label,
  match,
  gaps,
  sort,
  order,
  select,
  spots,
} satisfies Record<KindName, unknown>;

/** A kind whose types are not known at the place of use; what goes in was validated by its own schema. */
export type AnyKind = Kind<unknown, unknown, unknown>;

export function kindOf(name: KindName): AnyKind {
  return kinds[name] as unknown as AnyKind;
}

/** The kinds whose keys can be typed as plain text. */
export const TYPED_KINDS = KIND_NAMES.filter((name) => kindOf(name).typed !== undefined);

/** A kind by what typing it takes; throws for one that cannot be typed. */
export function typedKind(name: KindName): AnyKind & { typed: Typed<unknown, unknown> } {
  const kind = kindOf(name);
  if (!kind.typed) throw new Error(`The key of a ${name} cannot be typed`);
  return { ...kind, typed: kind.typed };
}
