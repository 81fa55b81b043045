import sharp from 'sharp';

/** A photographed page: light, with dark lines, so wide and so high. */
export const photographed = async (name: string, width: number, height: number) => ({
  name,
  mimeType: 'image/png',
  buffer: await sharp({ create: { width, height, channels: 3, background: '#eee' } })
    .composite(
      Array.from({ length: 20 }, (_, i) => ({
        input: { create: { width: Math.round(width * 0.6), height: 4, channels: 3 as const, background: '#222' } },
        left: Math.round(width * 0.2),
        top: Math.round(((i + 2) * height) / 24),
      })),
    )
    .png()
    .toBuffer(),
});
