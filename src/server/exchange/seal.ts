import { createCipheriv, createDecipheriv, randomBytes, scrypt } from 'node:crypto';
import { z } from 'zod';
import { Gate } from '../door/gate';

/**
 * Bytes sealed with a word: the key is made of it by scrypt (RFC 7914; cost as
 * OWASP's password storage advice has it, from memory), the bytes are encrypted
 * by AES-256-GCM (NIST SP 800-38D), which also guards the head. `docs/formats.md` describes the file.
 */
const MARK = 'zonda sealed 1\n';
const KDF = { name: 'scrypt', N: 131_072, r: 8, p: 1 } as const;
/** scrypt takes 128 · N · r bytes, and a little. */
const MOST_MEMORY = 160 * 1024 * 1024;
/** The head of a file is no longer than this, in bytes. */
const MOST_HEAD = 4000;

const base64 = (bytes: number) =>
  z.string().refine((text) => Buffer.from(text, 'base64').length === bytes && text.length < 4 * bytes);

const head = z.object({
  holds: z.enum(['exam', 'answers']),
  title: z.string().max(200),
  /** Not to be opened before, in milliseconds since 1970; null for whenever. */
  opensAt: z.number().int().nullable(),
  salt: base64(16),
  iv: base64(12),
});
export type SealedHead = Pick<z.infer<typeof head>, 'holds' | 'title' | 'opensAt'>;

/** Keys are made one at a time, each in some tenths of a second and much memory; so many wait. */
const making = new Gate(1, 20);

async function keyOf(word: string, salt: Buffer): Promise<Buffer | null> {
  const leave = await making.enter();
  if (!leave) return null;
  const { N, r, p } = KDF;
  return new Promise<Buffer>((done, fail) =>
    scrypt(word.normalize('NFKC'), salt, 32, { N, r, p, maxmem: MOST_MEMORY }, (error, key) =>
      error ? fail(error) : done(key),
    ),
  ).finally(leave);
}

/** Seals bytes with a word; null when too many are sealed at once. */
export async function seal(bytes: Uint8Array, word: string, told: SealedHead): Promise<Uint8Array | null> {
  const [salt, iv] = [randomBytes(16), randomBytes(12)];
  const key = await keyOf(word, salt);
  if (!key) return null;
  const text = `${JSON.stringify({ ...told, salt: salt.toString('base64'), iv: iv.toString('base64') })}\n`;
  const before = Buffer.from(MARK + text);
  const cipher = createCipheriv('aes-256-gcm', key, iv);
  cipher.setAAD(before);
  return Buffer.concat([before, cipher.update(bytes), cipher.final(), cipher.getAuthTag()]);
}

/** Where the head of a sealed file ends and what it says; null when it is no sealed file. */
function readHead(bytes: Uint8Array): { told: z.infer<typeof head>; end: number } | null {
  const start = Buffer.from(bytes.subarray(0, MARK.length + MOST_HEAD));
  if (start.subarray(0, MARK.length).toString('latin1') !== MARK) return null;
  const end = start.indexOf('\n', MARK.length);
  if (end < 0) return null;
  try {
    const told = head.safeParse(JSON.parse(start.subarray(MARK.length, end).toString('utf8')));
    return told.success ? { told: told.data, end: end + 1 } : null;
  } catch {
    return null;
  }
}

/** What a sealed file says of itself without being opened. */
export function sealedHead(bytes: Uint8Array): SealedHead | null {
  const found = readHead(bytes);
  return found && { holds: found.told.holds, title: found.told.title, opensAt: found.told.opensAt };
}

const TAG = 16;

/** Opens a sealed file; "wrong" when the word is another one or a byte was changed, "busy" when too many are opened at once. */
export async function unseal(bytes: Uint8Array, word: string): Promise<Uint8Array | 'wrong' | 'busy'> {
  const found = readHead(bytes);
  if (!found || bytes.length < found.end + TAG) return 'wrong';
  const { told, end } = found;
  const key = await keyOf(word, Buffer.from(told.salt, 'base64'));
  if (!key) return 'busy';
  const decipher = createDecipheriv('aes-256-gcm', key, Buffer.from(told.iv, 'base64'));
  decipher.setAAD(bytes.subarray(0, end));
  decipher.setAuthTag(bytes.subarray(bytes.length - TAG));
  try {
    return Buffer.concat([decipher.update(bytes.subarray(end, bytes.length - TAG)), decipher.final()]);
  } catch {
    return 'wrong';
  }
}
