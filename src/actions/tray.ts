'use server';
import { ok, type Result } from '@/core/base/result';
import { staffContext } from '@/server/auth/request';
import type { AddedMedia } from '@/server/media/add-media';
import {
  addFreePicture,
  addFromWeb,
  describeMedia,
  type OpenedTray,
  openTray,
  replaceEverywhere,
  searchFreePictures,
  usedIn,
} from '@/server/media/tray';
import type { FreePicture } from '@/server/ports/web';
import { text } from './sent';

export async function openTrayAction(wanted: unknown): Promise<Result<OpenedTray>> {
  return openTray(await staffContext(), wanted);
}

export async function describeMediaAction(input: unknown): Promise<Result<null>> {
  return describeMedia(await staffContext(), input);
}

export async function usedInAction(media: string): Promise<Result<{ id: string; title: string }[]>> {
  return ok(await usedIn(await staffContext(), text(media)));
}

export async function replaceEverywhereAction(old: string, now: string): Promise<Result<{ count: number }>> {
  return replaceEverywhere(await staffContext(), { old, now });
}

export async function addFromWebAction(address: string): Promise<Result<AddedMedia>> {
  return addFromWeb(await staffContext(), text(address));
}

export async function searchFreePicturesAction(words: string): Promise<Result<FreePicture[]>> {
  return searchFreePictures(await staffContext(), text(words));
}

export async function addFreePictureAction(picture: FreePicture): Promise<Result<AddedMedia>> {
  return addFreePicture(await staffContext(), text(picture?.address));
}
