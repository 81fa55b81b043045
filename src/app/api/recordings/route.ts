import { refuse } from '@/core/base/result';
import { addCaptions, addRecording, MAX_RECORDING_BYTES } from '@/server/media/add-recording';
import { forBuilding } from '../door';
import { readBody } from '../read-body';
import { respond } from '../respond';

/** Takes a sound, a film, or with ?as=captions a file of captions, as the body of the request; ?about= says what a recording is. */
export function POST(request: Request): Promise<Response> {
  return forBuilding(request, async (ctx) => {
    const bytes = await readBody(request, MAX_RECORDING_BYTES);
    if (!bytes) {
      const size = Math.ceil(Number(request.headers.get('content-length') ?? MAX_RECORDING_BYTES) / 1048576);
      return respond(refuse('recording-too-large', { values: { size, most: MAX_RECORDING_BYTES / 1048576 } }));
    }
    const { searchParams: said } = new URL(request.url);
    const as = said.get('as');
    if (as === 'captions') return respond(await addCaptions(ctx, bytes));
    return respond(
      await addRecording(ctx, bytes, as === 'sound' || as === 'film' ? as : null, said.get('about') ?? ''),
    );
  });
}
