import type { Metadata, Viewport } from 'next';
import type { ReactNode } from 'react';
import '@fontsource-variable/atkinson-hyperlegible-next/index.css';
import '@fontsource-variable/atkinson-hyperlegible-mono/index.css';
import 'katex/dist/katex.min.css';
import '@/ui/style/desk.scss';

export const metadata: Metadata = {
  title: { default: 'Zonda', template: '%s · Zonda' },
  description: 'Question banks, exams, marking and results of a teaching department',
};
export const viewport: Viewport = { width: 'device-width', initialScale: 1 };

/** Sets the remembered theme and text size before the first paint, so that nothing jumps. */
const REMEMBERED = `try{var r=document.documentElement,s=localStorage;if(s.zondaTheme==='lamp')r.dataset.theme='lamp';if(s.zondaTextScale)r.style.setProperty('--text-scale',s.zondaTextScale)}catch(e){}`;

export default function RootLayout({ children }: { children: ReactNode }) {
  return (
    <html lang="en-GB" suppressHydrationWarning>
      <head>
        <script dangerouslySetInnerHTML={{ __html: REMEMBERED }} />
      </head>
      <body>{children}</body>
    </html>
  );
}
