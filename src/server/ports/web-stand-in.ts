import { ok } from '@/core/base/result';
import { STAND_IN } from './platform-stand-in';
import {
  checkedAddress,
  checkedService,
  type FreePicture,
  type Message,
  type Reply,
  UNREACHABLE,
  type Web,
} from './web';

const HOME = 'https://free-pictures.example/';

/** A few drawings that ship with the application, in place of a service for free pictures. */
const SHELF: Record<string, { title: string; body: string }> = {
  'windsock.svg': {
    title: 'Windsock in a fresh breeze',
    body: '<path d="M60 30V210" stroke="#1C2E4A" stroke-width="6"/><path d="M62 40L230 62V92L62 100Z" fill="#C65B3C" stroke="#1C2E4A" stroke-width="3"/><path d="M104 45V98M146 51V96M188 57V94" stroke="#fff" stroke-width="14"/>',
  },
  'hard-hat.svg': {
    title: 'Hard hat of a technician',
    body: '<path d="M50 150A90 90 0 0 1 230 150Z" fill="#E3B23C" stroke="#1C2E4A" stroke-width="4"/><path d="M30 150H250V168H30Z" fill="#E3B23C" stroke="#1C2E4A" stroke-width="4"/><path d="M140 60V150" stroke="#1C2E4A" stroke-width="4"/>',
  },
  'tower-door.svg': {
    title: 'Door at the foot of a tower with stairs',
    body: '<path d="M70 20L60 220H220L210 20Z" fill="#E6ECF3" stroke="#1C2E4A" stroke-width="4"/><rect x="112" y="90" width="56" height="96" rx="26" fill="#43536B"/><path d="M100 220V206H180V220M108 206V194H172V206" fill="none" stroke="#1C2E4A" stroke-width="4"/>',
  },
  'anemometer.svg': {
    title: 'Cup anemometer',
    body: '<path d="M140 110V220" stroke="#1C2E4A" stroke-width="6"/><path d="M140 100L60 70M140 100L220 70M140 100L140 40" stroke="#1C2E4A" stroke-width="4"/><circle cx="56" cy="66" r="18" fill="#DDE4EA" stroke="#1C2E4A" stroke-width="4"/><circle cx="224" cy="66" r="18" fill="#DDE4EA" stroke="#1C2E4A" stroke-width="4"/><circle cx="140" cy="34" r="18" fill="#DDE4EA" stroke="#1C2E4A" stroke-width="4"/>',
  },
};

const picture = (body: string): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 280 240" width="280" height="240"><rect width="280" height="240" fill="#fff"/>${body}</svg>`;

const nobodyThere = (): Promise<Reply> => Promise.resolve({ status: 404, headers: {}, body: '' });

/** The web without a web: its own small shelf of free pictures, and a learning platform. Every other address is checked as in earnest, and then nothing answers there. */
export const standInWeb = (platform: (message: Message) => Promise<Reply> = nobodyThere): Web => ({
  async send(message) {
    if (message.address.startsWith(STAND_IN.home)) return ok(await platform(message));
    const checked = await checkedService(message.address, new Set());
    return checked.ok ? UNREACHABLE : checked;
  },
  async fetchFile(address) {
    if (!address.startsWith(HOME)) {
      const url = await checkedAddress(address);
      return url.ok ? UNREACHABLE : url;
    }
    const found = SHELF[address.slice(HOME.length)];
    return found ? ok(new TextEncoder().encode(picture(found.body))) : UNREACHABLE;
  },
  async searchPictures(words) {
    const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
    return Object.entries(SHELF)
      .filter(([, { title }]) => wanted.every((word) => title.toLowerCase().includes(word)))
      .map(
        ([name, { title }]): FreePicture => ({
          address: HOME + name,
          title,
          licence: 'CC0 1.0',
          source: 'Zonda stand-in',
        }),
      );
  },
});
