import { desc } from 'drizzle-orm';
import { calculateJwkThumbprint, exportJWK, generateKeyPair, importJWK, type JWK, SignJWT } from 'jose';
import type { Database, Reader } from '../db/database';
import { signingKeys } from '../db/schema/platforms';

const ALGORITHM = 'RS256';

/** The newest key of this installation. */
async function newestKey(read: Reader): Promise<JWK | null> {
  const [row] = await read.select().from(signingKeys).orderBy(desc(signingKeys.createdAt)).limit(1);
  return row?.key ?? null;
}

/** The key that signs; it is made when it is first needed, one for all processes. */
async function signingKey(db: Database, now: number): Promise<JWK> {
  const there = await newestKey(db.read);
  if (there) return there;
  const { privateKey } = await generateKeyPair(ALGORITHM, { modulusLength: 2048, extractable: true });
  const key = await exportJWK(privateKey);
  const id = await calculateJwkThumbprint(key);
  return db.transaction(async (tx) => {
    const meanwhile = await newestKey(tx);
    if (meanwhile) return meanwhile;
    const made = { ...key, kid: id, alg: ALGORITHM, use: 'sig' };
    await tx.insert(signingKeys).values({ id, key: made, createdAt: now });
    return made;
  });
}

/** The public halves of the keys, as a JSON Web Key Set (RFC 7517); nothing else of them. */
export async function publicKeys(db: Database, now: number): Promise<{ keys: JWK[] }> {
  await signingKey(db, now);
  const rows = await db.read.select().from(signingKeys).orderBy(desc(signingKeys.createdAt));
  return {
    keys: rows.map(({ key }) => {
      const { kty, n, e, kid, alg, use } = key as JWK;
      return { kty, n, e, kid, alg, use } as JWK;
    }),
  };
}

/** Claims signed by this installation as a JSON Web Token (RFC 7519), for five minutes. */
export async function signed(
  db: Database,
  claims: { issuer: string; audience: string; id: string },
  now: number,
): Promise<string> {
  const key = await signingKey(db, now);
  const seconds = Math.floor(now / 1000);
  return new SignJWT()
    .setProtectedHeader({ alg: ALGORITHM, kid: key.kid ?? '', typ: 'JWT' })
    .setIssuer(claims.issuer)
    .setSubject(claims.issuer)
    .setAudience(claims.audience)
    .setJti(claims.id)
    .setIssuedAt(seconds)
    .setExpirationTime(seconds + 300)
    .sign(await importJWK(key, ALGORITHM));
}
