import { and, desc, eq, inArray, isNull, like, or, type SQL } from 'drizzle-orm';
import { z } from 'zod';
import { readStored } from '@/core/base/stored-form';
import { ok, type Result } from '@/core/base/result';
import { questionForm } from '@/core/bank/question';
import { mediaHash } from '@/core/content/document';
import { may } from '@/core/people/may';
import { visibleBanks } from '../bank/access';
import { indexQuestion } from '../bank/search-index';
import { headOf } from '../bank/write';
import { type Context, FORBIDDEN, NOT_FOUND, parse } from '../context';
import { media, mediaKeepers, mediaUses, questions } from '../db/schema/bank';
import type { FreePicture } from '../ports/web';
import { FILES } from './add-file';
import { type AddedMedia, addMedia, MAX_PICTURE_BYTES } from './add-media';

export const MEDIUMS = ['picture', 'sound', 'film', 'file'] as const;
export type Medium = (typeof MEDIUMS)[number];

/** A picture, sound, film or file of the department. */
export interface TrayItem {
  media: string;
  medium: Medium;
  /** Width by height of a picture; 1 for anything else. */
  ratio: number;
  width: number;
  /** How many pixels wide it is stored; null for a drawing, which has none, and for anything else than a picture. */
  pixels: number | null;
  /** In bytes. */
  size: number;
  description: string;
  licence: string;
  source: string;
  addedAt: number;
}

const PAGE = 60;

const pixelsOf = ({ mime, width }: { mime: string; width: number }): number | null =>
  mime.startsWith('image/') && mime !== 'image/svg+xml' && width > 0 ? width : null;

const OF_MEDIUM: Record<Medium, SQL | undefined> = {
  picture: like(media.mime, 'image/%'),
  sound: like(media.mime, 'audio/%'),
  film: like(media.mime, 'video/%'),
  file: inArray(media.mime, [...FILES]),
};
const wanted = z.object({
  words: z.string().max(2000),
  medium: z.enum(MEDIUMS),
  /** Null for any licence. */
  licence: z.string().max(200).nullable(),
});

export interface OpenedTray {
  items: TrayItem[];
  /** The licences that things of this medium have. */
  licences: string[];
}

/** What the actor may see in the tray: what they brought, and what stands in a bank of theirs. */
async function inReach(ctx: Context): Promise<SQL | undefined> {
  const { read } = ctx.db;
  const banks = (await visibleBanks(ctx)).map(({ id }) => id);
  const brought = read
    .select({ hash: mediaKeepers.media })
    .from(mediaKeepers)
    .where(eq(mediaKeepers.member, ctx.actor.id));
  const used = read
    .select({ hash: mediaUses.media })
    .from(mediaUses)
    .innerJoin(questions, eq(questions.row, mediaUses.row))
    .where(inArray(questions.bank, banks));
  return or(inArray(media.hash, brought), inArray(media.hash, used));
}

/** Pictures, sounds, films or files within reach, newest first, found by what is said about them. */
export async function openTray(ctx: Context, raw: unknown): Promise<Result<OpenedTray>> {
  const parsed = parse(wanted, raw);
  if (!parsed.ok) return parsed;
  if (!may(ctx.actor, 'build exams', null)) return FORBIDDEN;
  const { words, medium, licence } = parsed.value;
  const ofMedium = and(OF_MEDIUM[medium], await inReach(ctx));
  const conditions = words
    .trim()
    .slice(0, 200)
    .split(/\s+/)
    .filter(Boolean)
    .map((word) => {
      const pattern = `%${word.replace(/[%_]/g, '')}%`;
      return or(like(media.description, pattern), like(media.source, pattern), like(media.licence, pattern));
    });
  const rows = await ctx.db.read
    .select()
    .from(media)
    .where(and(ofMedium, licence === null ? undefined : eq(media.licence, licence), ...conditions))
    .orderBy(desc(media.addedAt))
    .limit(PAGE);
  const licences = await ctx.db.read
    .selectDistinct({ licence: media.licence })
    .from(media)
    .where(ofMedium)
    .orderBy(media.licence);
  return ok({
    items: rows.map(({ hash, mime, width, height, size, description, licence: under, source, addedAt }) => ({
      media: hash,
      medium,
      ratio: height > 0 ? width / height : 1,
      width,
      pixels: pixelsOf({ mime, width }),
      size,
      description,
      licence: under,
      source,
      addedAt,
    })),
    licences: licences.map((row) => row.licence),
  });
}

const about = z.object({
  media: mediaHash,
  description: z.string().trim().max(1000),
  licence: z.string().trim().max(200),
  source: z.string().trim().max(500),
});

/** Says what a picture shows or a recording is, under which licence it is used, and where it comes from. */
export async function describeMedia(ctx: Context, raw: unknown): Promise<Result<null>> {
  const parsed = parse(about, raw);
  if (!parsed.ok) return parsed;
  if (!may(ctx.actor, 'build exams', null)) return FORBIDDEN;
  const { media: hash, ...said } = parsed.value;
  const reach = await inReach(ctx);
  return ctx.db.transaction(async (tx) => {
    const described = await tx
      .update(media)
      .set(said)
      .where(and(eq(media.hash, hash), reach))
      .returning({ hash: media.hash });
    return described.length > 0 ? ok() : NOT_FOUND;
  });
}

/** The questions in which a picture or recording stands, of the banks that the actor sees. */
export async function usedIn(ctx: Context, hash: string): Promise<{ id: string; title: string }[]> {
  if (!mediaHash.safeParse(hash).success) return [];
  const banks = (await visibleBanks(ctx)).map(({ id }) => id);
  return ctx.db.read
    .select({ id: questions.id, title: questions.title })
    .from(mediaUses)
    .innerJoin(questions, eq(questions.row, mediaUses.row))
    .where(and(eq(mediaUses.media, hash), inArray(questions.bank, banks), isNull(questions.deletedAt)))
    .limit(100);
}

const replacing = z.object({ old: mediaHash, now: mediaHash });

/**
 * Puts one picture in the place of another in every question that the actor
 * may write in. What exams have placed keeps the old one: revisions never change.
 */
export async function replaceEverywhere(ctx: Context, raw: unknown): Promise<Result<{ count: number }>> {
  const parsed = parse(replacing, raw);
  if (!parsed.ok) return parsed;
  const { old, now } = parsed.value;
  const [next] = await ctx.db.read
    .select()
    .from(media)
    .where(and(eq(media.hash, now), await inReach(ctx)));
  if (!next) return NOT_FOUND;
  const banks = (await visibleBanks(ctx)).filter((b) => may(ctx.actor, 'write in bank', b.access)).map(({ id }) => id);
  return ctx.db.transaction(async (tx) => {
    const found = await tx
      .select()
      .from(questions)
      .where(and(like(questions.draft, `%"${old}"%`), inArray(questions.bank, banks)));
    for (const q of found) {
      const swapped: unknown = JSON.parse(JSON.stringify(q.draft), (_, value: unknown) =>
        value !== null && typeof value === 'object' && 'media' in value && value.media === old
          ? {
              ...value,
              media: now,
              ratio: next.width / next.height,
              ...('pixels' in value ? { pixels: pixelsOf(next) ?? undefined } : {}),
            }
          : value,
      );
      const body = readStored(questionForm, swapped);
      await tx
        .update(questions)
        .set({
          ...headOf(body),
          draftVersion: q.draftVersion + 1,
          changed: true,
          savedBy: ctx.actor.id,
          savedAt: ctx.now,
        })
        .where(eq(questions.id, q.id));
      await indexQuestion(tx, q.row, body);
    }
    return ok({ count: found.length });
  });
}

/** Takes a picture from a web address into the tray. */
export async function addFromWeb(ctx: Context, address: string): Promise<Result<AddedMedia>> {
  if (!may(ctx.actor, 'build exams', null)) return FORBIDDEN;
  const fetched = await ctx.web.fetchFile(address.trim(), MAX_PICTURE_BYTES);
  return fetched.ok ? addMedia(ctx, fetched.value, { source: address.trim().slice(0, 500) }) : fetched;
}

/** Free pictures by words. */
export async function searchFreePictures(ctx: Context, words: string): Promise<Result<FreePicture[]>> {
  if (!may(ctx.actor, 'build exams', null)) return FORBIDDEN;
  return ok(await ctx.web.searchPictures(words.slice(0, 200)));
}

/** Takes a free picture into the tray, with its title as description, its licence and source. */
export async function addFreePicture(ctx: Context, address: string): Promise<Result<AddedMedia>> {
  const offered = (await ctx.web.searchPictures('')).find((one) => one.address === address);
  if (!offered) return NOT_FOUND;
  const { title, licence, source } = offered;
  const fetched = await ctx.web.fetchFile(address, MAX_PICTURE_BYTES);
  return fetched.ok ? addMedia(ctx, fetched.value, { description: title, licence, source }) : fetched;
}
