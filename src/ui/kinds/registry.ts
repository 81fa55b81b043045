import type { KindName } from '@/core/kinds/names';
import { choiceSide } from './choice/side';
import type { KindSide } from './contract';
import { drawSide } from './draw/side';
import { gapsSide } from './gaps/side';
import { handInSide } from './hand-in/side';
import { judgeOwnSide } from './judge-own/side';
import { labelSide } from './label/side';
import { longAnswerSide } from './long-answer/side';
import { matchSide } from './match/side';
import { mathsSide } from './maths/side';
import { menuSide } from './menu/side';
import { numberSide } from './number/side';
import { formulaWithPlacesSide } from './formula-with-places/side';
import { orderSide } from './order/side';
import { recordSide } from './record/side';
import { saySide } from './say/side';
import { scaleSide } from './scale/side';
import { selectSide } from './select/side';
import { shortTextSide } from './short-text/side';
import { sortSide } from './sort/side';
import { spotsSide } from './spots/side';

const sides = {
  choice: choiceSide,
  menu: menuSide,
  shortText: shortTextSide,
  number: numberSide,
  maths: mathsSide,
  formulaWithPlaces: formulaWithPlacesSide,
  longAnswer: longAnswerSide,
  handIn: handInSide,
  draw: drawSide,
  record: recordSide,
  say: saySide,
  judgeOwn: judgeOwnSide,
  scale: scaleSide,
  label: labelSide,
  match: matchSide,
  gaps: gapsSide,
  sort: sortSide,
  order: orderSide,
  select: selectSide,
  spots: spotsSide,
} satisfies Record<KindName, unknown>;

type AnySide = KindSide<unknown, unknown>;

/** What a page may ask of a kind. Sheets and responses were validated by the kind's own schemas. */
export function sideOf(kind: KindName): AnySide {
  return sides[kind] as unknown as AnySide;
}

export const SIDES = Object.values(sides) as unknown as AnySide[];

/** "choice, number" from the names as the bank stores them. */
export function kindsText(kinds: string): string {
  const names = kinds.split(' ').filter((kind) => kind in sides) as KindName[];
  return names.map((kind) => sideOf(kind).words.name).join(', ') || 'no answer slot';
}

/** The sign of the one kind that a question has; a dash where it has none, dots where it has several. */
export function kindSign(kinds: string): string {
  if (kinds.includes(' ')) return '⋯';
  return kinds in sides ? sideOf(kinds as KindName).words.sign : '–';
}
