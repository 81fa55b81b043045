const USER_NAME = /^[\p{L}\p{N}][\p{L}\p{N}._@-]{1,98}$/u;

/**
 * A user name as it is kept: in small letters, 2 to 99 letters, digits and `. _ @ -`, of which the first is a letter or a
 * digit. Null for what cannot be one.
 */
export function readUserName(typed: string): string | null {
  const name = typed.normalize('NFC').trim().toLowerCase();
  return USER_NAME.test(name) ? name : null;
}
