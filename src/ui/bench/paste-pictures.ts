import { addFromWebAction } from '@/actions/tray';
import type { AddedMedia } from '@/server/media/add-media';
import { uploadPicture } from '../tray/upload';
import { replyTo } from '../parts/reply-to';

/** More pictures than this in one paste are left out. */
const MOST_PICTURES = 40;

/** Whether HTML from the clipboard shows pictures. */
export const showsPictures = (html: string): boolean => /<img[\s>]/i.test(html);

/** HTML whose pictures were kept in the department's tray; `leftOut` counts those that could not be had. */
export async function withPicturesKept(html: string): Promise<{ html: string; leftOut: number }> {
  const page = new DOMParser().parseFromString(html, 'text/html');
  let leftOut = 0;
  const all = [...page.querySelectorAll('img')].filter((img) => !img.closest('[data-media]'));
  for (const [i, img] of all.entries()) {
    const kept = i < MOST_PICTURES ? await keep(img.getAttribute('src') ?? '') : null;
    if (kept) img.replaceWith(figure(page, kept, img.getAttribute('alt') ?? ''));
    else {
      leftOut += 1;
      img.remove();
    }
  }
  return { html: page.body.innerHTML, leftOut };
}

async function keep(source: string): Promise<AddedMedia | null> {
  try {
    if (/^https?:/i.test(source)) {
      const added = await replyTo(addFromWebAction(source));
      return added.ok ? added.value : null;
    }
    if (!/^data:image\//i.test(source)) return null;
    const added = await uploadPicture(await (await fetch(source)).blob());
    return added.ok ? added.value : null;
  } catch {
    return null;
  }
}

function figure(page: Document, { media, ratio, width }: AddedMedia, description: string): HTMLElement {
  const element = page.createElement('figure');
  Object.assign(element.dataset, { media, ratio: String(ratio), width: String(widthOnSheet(width)), description });
  return element;
}

/** The width of a picture of so many pixels, in percent of the sheet: as wide as it is, never wider than the sheet. */
export function widthOnSheet(pixels: number): number {
  return Math.round(Math.min(100, Math.max(20, pixels / 8)));
}
