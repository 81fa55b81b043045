import { outside } from '@/server/outside';
import { publicKeys } from '@/server/platforms/keys';

/** The public keys of this installation, for whoever checks what it has signed (RFC 7517). */
export async function GET(): Promise<Response> {
  const { db, now } = await outside();
  return Response.json(await publicKeys(db, now), { headers: { 'Cache-Control': 'public, max-age=600' } });
}
