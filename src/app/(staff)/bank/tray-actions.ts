'use server';
import type { Result } from '@/core/base/result';
import { staffContext } from '@/server/auth/request';
import type { AddedMedia } from '@/server/media/add-media';
import {
  addFreePicture,
  addFromWeb,
  describePicture,
  openTray,
  pictureUsedIn,
  replaceEverywhere,
  searchFreePictures,
  type TrayPicture,
} from '@/server/media/tray';
import type { FreePicture } from '@/server/ports/web';

export async function openTrayAction(words: string): Promise<Result<TrayPicture[]>> {
  return openTray(await staffContext(), words);
}

export async function describePictureAction(input: unknown): Promise<Result<null>> {
  return describePicture(await staffContext(), input);
}

export async function pictureUsedInAction(media: string): Promise<{ id: string; title: string }[]> {
  return pictureUsedIn(await staffContext(), media);
}

export async function replaceEverywhereAction(old: string, now: string): Promise<Result<{ count: number }>> {
  return replaceEverywhere(await staffContext(), { old, now });
}

export async function addFromWebAction(address: string): Promise<Result<AddedMedia>> {
  return addFromWeb(await staffContext(), address);
}

export async function searchFreePicturesAction(words: string): Promise<Result<FreePicture[]>> {
  return searchFreePictures(await staffContext(), words);
}

export async function addFreePictureAction(picture: FreePicture): Promise<Result<AddedMedia>> {
  return addFreePicture(await staffContext(), picture);
}
