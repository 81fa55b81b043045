import type { Metadata, Viewport } from 'next';
import { headers } from 'next/headers';
import type { ReactNode } from 'react';
import '@fontsource-variable/atkinson-hyperlegible-next/index.css';
import '@fontsource-variable/atkinson-hyperlegible-mono/index.css';
import 'katex/dist/katex.min.css';
import { NONCE } from '@/server/door/headers';
import '@/ui/style/desk.scss';

export const metadata: Metadata = {
  title: { default: 'Zonda', template: '%s · Zonda' },
  description: 'Question banks, exams, marking and results of a teaching department',
};
export const viewport: Viewport = { width: 'device-width', initialScale: 1 };

/** Sets the remembered theme and text size before the first paint, so that nothing jumps. */
const REMEMBERED = `try{var r=document.documentElement,s=localStorage;if(s.zondaTheme==='lamp')r.dataset.theme='lamp';if(s.zondaTextScale)r.style.setProperty('--text-scale',s.zondaTextScale)}catch(e){}`;

export default async function RootLayout({ children }: { children: ReactNode }) {
  const nonce = (await headers()).get(NONCE) ?? undefined;
  return (
    <html lang="en-GB" suppressHydrationWarning>
      <head>
        <script nonce={nonce} suppressHydrationWarning dangerouslySetInnerHTML={{ __html: REMEMBERED }} />
      </head>
      <body>{children}</body>
    </html>
  );
}
