import type { ComponentType } from 'react';
import type { KindName } from '@/core/kinds/names';
import * as choice from './choice/print';
import * as formulaWithPlaces from './formula-with-places/print';
import * as gaps from './gaps/print';
import * as draw from './draw/print';
import * as handIn from './hand-in/print';
import * as judgeOwn from './judge-own/print';
import * as label from './label/print';
import * as longAnswer from './long-answer/print';
import * as match from './match/print';
import * as maths from './maths/print';
import * as menu from './menu/print';
import * as number from './number/print';
import * as order from './order/print';
import * as record from './record/print';
import * as say from './say/print';
import * as scale from './scale/print';
import * as select from './select/print';
import * as shortText from './short-text/print';
import * as sort from './sort/print';
import * as spots from './spots/print';
import type { PrintProps } from './contract';

/** The printed halves; they come with pages that print, and no room waits for them. */
const halves = {
  choice: choice.Print,
  draw: draw.Print,
  formulaWithPlaces: formulaWithPlaces.Print,
  gaps: gaps.Print,
  handIn: handIn.Print,
  judgeOwn: judgeOwn.Print,
  label: label.Print,
  longAnswer: longAnswer.Print,
  match: match.Print,
  maths: maths.Print,
  menu: menu.Print,
  number: number.Print,
  order: order.Print,
  record: record.Print,
  say: say.Print,
  scale: scale.Print,
  select: select.Print,
  shortText: shortText.Print,
  sort: sort.Print,
  spots: spots.Print,
} satisfies Record<KindName, unknown>;

/** A slot on printed paper. */
export function PrintedSlot({ kind, ...props }: PrintProps<unknown> & { kind: KindName }) {
  const Print = halves[kind] as ComponentType<PrintProps<unknown>>;
  return <Print {...props} />;
}
