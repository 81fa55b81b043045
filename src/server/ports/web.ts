import type { LookupAddress } from 'node:dns';
import { lookup } from 'node:dns/promises';
import http, { type IncomingMessage } from 'node:http';
import https from 'node:https';
import { isIP, type LookupFunction } from 'node:net';
import { ok, type Result, refuse } from '@/core/base/result';
import { isInside } from './inside';

/** What is said to another service. */
export interface Message {
  method: 'GET' | 'POST' | 'PUT';
  address: string;
  headers: Readonly<Record<string, string>>;
  body?: string;
}

/** What it answers, whatever it is. */
export interface Reply {
  status: number;
  /** By their names in lower case. */
  headers: Readonly<Record<string, string | undefined>>;
  body: string;
}

/** What the outside web gives: files by address, free pictures by words, and talk with other services. */
export interface Web {
  /** The bytes at an address, at most so many. */
  fetchFile: (address: string, most: number) => Promise<Result<Uint8Array>>;
  /** Pictures that may be used freely, found by words. */
  searchPictures: (words: string) => Promise<FreePicture[]>;
  /** Asks another service over https, once; a redirect is an answer like any other, because what is said may be secret. */
  send: (message: Message) => Promise<Result<Reply>>;
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
/** The most that another service may answer, in bytes. */
const MOST_REPLY = 2_000_000;

/** An address that may be asked, with the place that its name stands for. */
export interface CheckedAddress {
  url: URL;
  place: LookupAddress;
}

/** Checks an address before every hop: http or https, an ordinary port, and no place inside. */
export async function checkedAddress(address: string): Promise<Result<CheckedAddress>> {
  const url = URL.canParse(address) ? new URL(address) : null;
  if (!url || !/^https?:$/.test(url.protocol) || url.username !== '' || !['', '80', '443'].includes(url.port)) {
    return refused('address');
  }
  const host = url.hostname.replace(/^\[|\]$/g, '');
  const family = isIP(host);
  const found = family > 0 ? [{ address: host, family }] : await lookup(host, { all: true }).catch(() => []);
  const [place] = found;
  if (!place) return UNREACHABLE;
  return found.some((one) => isInside(one.address)) ? refused('inside') : ok({ url, place });
}

/** Asks for what stands at an address, at the very place that was checked: its name is not looked up again. */
export function ask(
  { url, place }: CheckedAddress,
  { method = 'GET', headers = {}, body }: Partial<Message> = {},
): Promise<IncomingMessage | null> {
  const { request } = url.protocol === 'https:' ? https : http;
  const at: LookupFunction = (_, { all }, found) => {
    if (all) found(null, [place]);
    else found(null, place.address, place.family);
  };
  return new Promise((answer) => {
    const asked = request(url, { method, headers, lookup: at, signal: AbortSignal.timeout(PATIENCE) }, answer);
    asked.on('error', () => answer(null));
    asked.end(body);
  });
}

/**
 * Checks where something is to be sent: over https to no place inside, unless whoever keeps the installation has named
 * the host (with its port, where it has one of its own): then it may lie inside, and be asked over http.
 */
export async function checkedService(address: string, known: ReadonlySet<string>): Promise<Result<CheckedAddress>> {
  const url = URL.canParse(address) ? new URL(address) : null;
  if (!url) return refused('address');
  if (!known.has(url.host)) return url.protocol === 'https:' ? checkedAddress(address) : refused('address');
  if (!/^https?:$/.test(url.protocol) || url.username !== '') return refused('address');
  const [place] = await lookup(url.hostname.replace(/^\[|\]$/g, ''), { all: true }).catch(() => []);
  return place ? ok({ url, place }) : UNREACHABLE;
}

/** The web as it is, within limits of size and time; without a service for free pictures it finds none. Services may lie inside where their hosts are known. */
export const openWeb = (known: ReadonlySet<string>): Web => ({
  async send(message) {
    const checked = await checkedService(message.address, known);
    if (!checked.ok) return checked;
    const response = await ask(checked.value, message);
    if (!response) return UNREACHABLE;
    const read = await readUpTo(response, MOST_REPLY).catch(() => UNREACHABLE);
    if (!read.ok) return read;
    const headers = Object.fromEntries(
      Object.entries(response.headers).map(([name, value]) => [name, Array.isArray(value) ? value.join(', ') : value]),
    );
    return ok({ status: response.statusCode ?? 0, headers, body: new TextDecoder().decode(read.value) });
  },
  async fetchFile(address, most) {
    let next = address;
    for (let hop = 0; hop < MOST_HOPS; hop++) {
      const checked = await checkedAddress(next);
      if (!checked.ok) return checked;
      const response = await ask(checked.value);
      const { statusCode: status = 0, headers } = response ?? { headers: {} };
      if (!response || status >= 400) {
        response?.destroy();
        return UNREACHABLE;
      }
      if (status < 300) return readUpTo(response, most).catch(() => UNREACHABLE);
      response.destroy();
      if (!headers.location || !URL.canParse(headers.location, checked.value.url)) return UNREACHABLE;
      next = new URL(headers.location, checked.value.url).href;
    }
    return UNREACHABLE;
  },
  searchPictures: async () => [],
});

async function readUpTo(response: IncomingMessage, most: number): Promise<Result<Uint8Array>> {
  const chunks: Buffer[] = [];
  let size = 0;
  for await (const chunk of response as AsyncIterable<Buffer>) {
    size += chunk.length;
    if (size > most) {
      response.destroy();
      return refused('too-large');
    }
    chunks.push(chunk);
  }
  return ok(new Uint8Array(Buffer.concat(chunks)));
}
