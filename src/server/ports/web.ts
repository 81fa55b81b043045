import { lookup } from 'node:dns/promises';
import { isIP } from 'node:net';
import { ok, type Result, refuse } from '@/core/base/result';

/** What the outside web gives: files by address, and free pictures by words. */
export interface Web {
  /** The bytes at an address, at most so many. */
  fetchFile: (address: string, most: number) => Promise<Result<Uint8Array>>;
  /** Pictures that may be used freely, found by words. */
  searchPictures: (words: string) => Promise<FreePicture[]>;
}

export interface FreePicture {
  address: string;
  title: string;
  licence: string;
  source: string;
}

const refused = (why: 'address' | 'inside' | 'unreachable' | 'too-large') => refuse(`web-${why}`, { at: ['address'] });
/** Nothing answers there, or not with a file. */
export const UNREACHABLE = refused('unreachable');

const PATIENCE = 10_000;
const MOST_HOPS = 4;

/** Whether an address is one of this machine or its own network, which nobody may reach from outside through us. */
export function isInside(ip: string): boolean {
  const v4 = /^(?:::ffff:)?(\d+)\.(\d+)\.\d+\.\d+$/i.exec(ip);
  if (v4) {
    const [a, b] = [Number(v4[1]), Number(v4[2])];
    return (
      a === 0 ||
      a === 10 ||
      a === 127 ||
      a >= 224 ||
      (a === 100 && b >= 64 && b <= 127) ||
      (a === 169 && b === 254) ||
      (a === 172 && b >= 16 && b <= 31) ||
      (a === 192 && (b === 168 || b === 0)) ||
      (a === 198 && (b === 18 || b === 19))
    );
  }
  return /^(::1?$|f[cd]|fe[89ab]|ff|64:ff9b|::ffff:)/i.test(ip);
}

/** Checks an address before every hop: http or https, an ordinary port, and no place inside. */
export async function checkedAddress(address: string): Promise<Result<URL>> {
  const url = URL.canParse(address) ? new URL(address) : null;
  if (!url || !/^https?:$/.test(url.protocol) || url.username !== '' || !['', '80', '443'].includes(url.port)) {
    return refused('address');
  }
  const host = url.hostname.replace(/^\[|\]$/g, '');
  const found = isIP(host)
    ? [host]
    : await lookup(host, { all: true }).then(
        (all) => all.map((a) => a.address),
        () => [],
      );
  if (found.length === 0) return UNREACHABLE;
  return found.some(isInside) ? refused('inside') : ok(url);
}

/** The web as it is, within limits of size and time; without a service for free pictures it finds none. */
export const openWeb: Web = {
  async fetchFile(address, most) {
    let next = address;
    for (let hop = 0; hop < MOST_HOPS; hop++) {
      const url = await checkedAddress(next);
      if (!url.ok) return url;
      const response = await fetch(url.value, { redirect: 'manual', signal: AbortSignal.timeout(PATIENCE) }).catch(
        () => null,
      );
      const to = response?.headers.get('location');
      if (response && to && response.status >= 300 && response.status < 400) next = new URL(to, url.value).href;
      else return response?.ok ? readUpTo(response, most) : UNREACHABLE;
    }
    return UNREACHABLE;
  },
  searchPictures: async () => [],
};

async function readUpTo(response: Response, most: number): Promise<Result<Uint8Array>> {
  const chunks: Uint8Array[] = [];
  let size = 0;
  for await (const chunk of response.body ?? []) {
    size += chunk.length;
    if (size > most) return refused('too-large');
    chunks.push(chunk);
  }
  return ok(new Uint8Array(Buffer.concat(chunks)));
}
