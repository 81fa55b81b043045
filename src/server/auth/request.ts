import 'server-only';
import { cookies, headers } from 'next/headers';
import { redirect } from 'next/navigation';
import { cache } from 'react';
import { may } from '@/core/people/may';
import type { Context } from '../context';
import { SECURE, SOURCE } from '../door/headers';
import { prove } from '../door/proven';
import { outside } from '../outside';
import { sessionCookie, sessionIn } from './cookie';
import { actorOf, homeOf, SESSION_LENGTH, type SignedIn } from './sessions';

/** The context of this request: who acts, and the outside. */
export interface RequestContext extends Context {
  actor: SignedIn;
}

/** Whether this request came by HTTPS. */
const bySecureChannel = async (): Promise<boolean> => (await headers()).get(SECURE) === 'yes';

/** From which address this request comes. */
export const requestSource = async (): Promise<string> => (await headers()).get(SOURCE) ?? '';

/** What the browser holds of its session, whether or not it is one. */
export async function sessionToken(): Promise<string | undefined> {
  return sessionIn(await cookies(), await bySecureChannel());
}

/** The context when somebody is signed in; read once a request. */
export const maybeContext = cache(async (): Promise<RequestContext | null> => {
  const token = await sessionToken();
  if (!token) return null;
  const out = await outside();
  const actor = await actorOf(out, token);
  if (!actor) return null;
  prove(token, out.now);
  return { ...out, actor };
});

/** The context of a staff page or action; anybody else is sent where they belong. */
export async function staffContext(): Promise<RequestContext> {
  const context = await maybeContext();
  if (!context) redirect('/sign-in');
  if (!may(context.actor, 'use staff rooms', null)) redirect(homeOf(context.actor));
  return context;
}

/** The context of a student page. */
export async function studentContext(): Promise<RequestContext> {
  const context = await maybeContext();
  if (!context) redirect('/sign-in');
  if (context.actor.role !== 'student') redirect(homeOf(context.actor));
  return context;
}

/** The context of a page that students and guests have. */
export async function writerContext(): Promise<RequestContext> {
  const context = await maybeContext();
  if (!context) redirect('/sign-in');
  const { role } = context.actor;
  if (role !== 'student' && role !== 'guest') redirect(homeOf(context.actor));
  return context;
}

/** Has the browser hold a session, for so many milliseconds. */
export async function keepSession(token: string, length = SESSION_LENGTH): Promise<void> {
  const secure = await bySecureChannel();
  (await cookies()).set(sessionCookie(secure), token, {
    httpOnly: true,
    sameSite: 'lax',
    secure,
    path: '/',
    maxAge: length / 1000,
  });
}

/** Forgets the session in the browser; returns its token. */
export async function dropSession(): Promise<string | undefined> {
  const token = await sessionToken();
  const secure = await bySecureChannel();
  // A browser takes a change of a "__Host-" cookie only with these.
  (await cookies()).delete({ name: sessionCookie(secure), path: '/', secure });
  return token;
}
