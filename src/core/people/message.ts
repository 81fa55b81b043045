/** What stands in a message in place of each of these names in brackets. */
export const MESSAGE_NAMES = ['name', 'exam', 'course', 'opens', 'closes', 'minutes', 'address'] as const;
export type MessageName = (typeof MESSAGE_NAMES)[number];

/** A message with its names filled in; other words in brackets stay as they are. */
export function filledMessage(text: string, values: Readonly<Record<MessageName, string>>): string {
  return text.replace(/\[([a-z]+)\]/g, (whole, name: string) =>
    (MESSAGE_NAMES as readonly string[]).includes(name) ? values[name as MessageName] : whole,
  );
}

/** An address as far as it can be seen from itself; null when it is none. Lower case is left: what stands before the @ may depend on it. */
export function readAddress(typed: string): string | null {
  const address = typed.trim();
  return address.length <= 254 && /^[^\s@<>,;:"()[\]\\]+@[^\s@<>,;:"()[\]\\]+\.[^\s@<>,;:"()[\]\\.]{2,}$/.test(address)
    ? address
    : null;
}
