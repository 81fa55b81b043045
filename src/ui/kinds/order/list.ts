/** Stands in a list between what is in the order and what is left out. */
export const BORDER = '-';

/** Everything as it stands one after the other: the order, and below the border what is not in it, as it first stood. */
export function inList(order: readonly string[], items: readonly string[], leave: boolean): string[] {
  return leave ? [...order, BORDER, ...items.filter((one) => !order.includes(one))] : [...order];
}

/**
 * The order when something of the list is moved to another place; null when
 * nothing can be moved there. What is left out has no order: moved upwards it
 * comes back at the end. The last one of an order cannot be left out.
 */
export function movedInList(list: readonly string[], from: number, to: number): string[] | null {
  const border = list.includes(BORDER) ? list.indexOf(BORDER) : list.length;
  const item = list[from];
  if (item === undefined || item === BORDER || to < 0 || to >= list.length) return null;
  const order = list.slice(0, border);
  const rest = order.filter((one) => one !== item);
  if (from > border) return to < from ? [...rest.slice(0, to), item, ...rest.slice(to)] : null;
  if (to < border) return [...rest.slice(0, to), item, ...rest.slice(to)];
  return rest.length > 0 ? rest : null;
}
