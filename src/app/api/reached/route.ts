/** Says that the server is reached, to everybody, and nothing else. */
export function HEAD(): Response {
  return new Response(null, { status: 204 });
}
