import 'server-only';
import { cookies } from 'next/headers';
import { redirect } from 'next/navigation';
import { cache } from 'react';
import { may } from '@/core/people/may';
import type { Context } from '../context';
import { readEnv } from '../env';
import { outside } from '../outside';
import { actorOf, SESSION_LENGTH, type SignedIn } from './sessions';

const COOKIE = 'zonda-session';

/** The context of this request: who acts, and the outside. */
export interface RequestContext extends Context {
  actor: SignedIn;
}

/** The context when somebody is signed in; read once a request. */
export const maybeContext = cache(async (): Promise<RequestContext | null> => {
  const token = (await cookies()).get(COOKIE)?.value;
  if (!token) return null;
  const out = await outside();
  const actor = await actorOf(out, token);
  return actor && { ...out, actor };
});

/** The context of a staff page or action; anybody else is sent where they belong. */
export async function staffContext(): Promise<RequestContext> {
  const context = await maybeContext();
  if (!context) redirect('/sign-in');
  if (!may(context.actor, 'use staff rooms', null)) redirect('/my');
  return context;
}

/** The context of a student page. */
export async function studentContext(): Promise<RequestContext> {
  const context = await maybeContext();
  if (!context) redirect('/sign-in');
  if (context.actor.role !== 'student') redirect('/');
  return context;
}

export async function keepSession(token: string): Promise<void> {
  (await cookies()).set(COOKIE, token, {
    httpOnly: true,
    sameSite: 'lax',
    secure: readEnv().secureCookies,
    path: '/',
    maxAge: SESSION_LENGTH / 1000,
  });
}

/** Forgets the session in the browser; returns its token. */
export async function dropSession(): Promise<string | undefined> {
  const jar = await cookies();
  const token = jar.get(COOKIE)?.value;
  jar.delete(COOKIE);
  return token;
}
