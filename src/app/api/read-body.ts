/** The body of a request up to so many bytes; null when there is more, which is then not read. */
export async function readBody(request: Request, most: number): Promise<Uint8Array | null> {
  if (Number(request.headers.get('content-length') ?? 0) > most) return null;
  const chunks: Uint8Array[] = [];
  let size = 0;
  for await (const chunk of request.body ?? []) {
    chunks.push(chunk);
    size += chunk.length;
    if (size > most) return null;
  }
  return new Uint8Array(Buffer.concat(chunks));
}
