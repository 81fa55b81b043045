// throwaway
import { writeFileSync } from 'node:fs';
import { chromium } from '@playwright/test';
const [,, who, path, out, size='1280x800', script] = process.argv;
const [w,h]=size.split('x').map(Number);
const b = await chromium.launch({ executablePath: '/usr/bin/chromium' });
const p = await b.newPage({ viewport: { width: w, height: h } });
p.on('console', m => m.type()==='error' && console.log('console:', m.text(), m.location().url)); p.on('response', r => r.status()>=400 && console.log(r.status(), r.url()));
p.on('pageerror', e => console.log('pageerror', e.message));
await p.goto('http://localhost:3000/sign-in');
await p.getByLabel('User name').fill(who); await p.getByLabel('Password').fill('kestrel-ridge');
await p.getByRole('button', { name: /sign in/i }).click();
await p.waitForURL(u => !u.pathname.includes('sign-in'));
if (path.startsWith('/')) await p.goto('http://localhost:3000'+path); 
if (script) await (new Function('p','save', `return (async()=>{${script}})()`))(p, writeFileSync);
await p.waitForTimeout(600);
await p.screenshot({ path: out });
await b.close();
