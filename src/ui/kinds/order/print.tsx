import type { OrderSheet } from '@/core/kinds/order/order';
import { LetteredThings, WritingLine } from '../../print/parts';
import type { PrintProps } from '../contract';

/** What is to be put in order with its letters, and a line for the letters. */
export function Print({ sheet: { items, leave }, drawn }: PrintProps<OrderSheet>) {
  return (
    <>
      <LetteredThings things={items} drawn={drawn} />
      <p>
        Order of letters{leave ? ', without what does not belong' : ''}: <WritingLine signs={items.length * 4} />
      </p>
    </>
  );
}
