import { execSync } from 'node:child_process';
import { launch, signIn, PHONE } from './drivers/browser';
const base = 'http://localhost:3400';
const rss = () => Math.max(...execSync("ps -eo rss,args | grep serve.mjs | grep -v grep | awk '{print $1}'").toString().trim().split('\n').map(Number)) / 1024;
const browser = await launch();
const { page, context } = await signIn(browser, base, 'goran.p', PHONE);
await page.goto(base + '/my');
await page.getByRole('link', { name: 'Go on' }).first().click().catch(async () => page.getByRole('button', { name: 'Begin' }).first().click());
await page.waitForURL(/\/room\//);
const room = new URL(page.url()).pathname;
const cookie = (await context.cookies()).map((c) => `${c.name}=${c.value}`).join('; ');
console.log('start', Math.round(rss()), 'MB');
for (const path of [`/api${room}`, room]) {
  let sent = 0;
  const body = new ReadableStream({ pull(c) { if (sent >= 300e6) return c.close(); sent += 1e6; c.enqueue(new Uint8Array(1e6)); } });
  const t = performance.now();
  let peak = 0; const timer = setInterval(() => { peak = Math.max(peak, rss()); }, 200);
  const r = await fetch(base + path, { method: 'POST', body, duplex: 'half', headers: { cookie, origin: base } } as RequestInit).then((r) => r.status, (e) => e.cause?.code ?? String(e));
  clearInterval(timer);
  console.log(path.slice(0, 12), r, 'sent', sent / 1e6, 'MB', Math.round(performance.now() - t), 'ms, peak', Math.round(peak), 'now', Math.round(rss()));
}
// with next-action
{
  let sent = 0;
  const body = new ReadableStream({ pull(c) { if (sent >= 300e6) return c.close(); sent += 1e6; c.enqueue(new Uint8Array(1e6)); } });
  let peak = 0; const timer = setInterval(() => { peak = Math.max(peak, rss()); }, 200);
  const r = await fetch(base + room, { method: 'POST', body, duplex: 'half', headers: { cookie, origin: base, 'next-action': 'x'.repeat(40), 'content-type': 'text/plain' } } as RequestInit).then((r) => r.status, (e) => e.cause?.code ?? String(e));
  clearInterval(timer);
  console.log('action', r, 'sent', sent / 1e6, 'peak', Math.round(peak));
}
async function victim(n: number): Promise<number[]> {
  const { execFile } = await import('node:child_process');
  const code = `(async()=>{const t=[];for(let i=0;i<${n};i++){const s=performance.now();await fetch('${base}/api${room}',{method:'POST',headers:{cookie:${JSON.stringify(victimCookie)},origin:'${base}','content-type':'application/json'},body:JSON.stringify({device:'device-v',entries:[]})}).then(r=>r.arrayBuffer());t.push(performance.now()-s);await new Promise(r=>setTimeout(r,50));}console.log(JSON.stringify(t.sort((a,b)=>a-b)));})()`;
  return new Promise((done) => execFile(process.execPath, ['-e', code], (_, out) => done(JSON.parse(out))));
}
const other = await signIn(browser, base, 'aino.v', PHONE);
const victimCookie = (await other.context.cookies()).map((c) => `${c.name}=${c.value}`).join('; ');
const quiet = await victim(40);
console.log('quiet p50', quiet[20], 'p95', quiet[38]);
for (const path of [`/api${room}`, room, '/my']) {
  const flood = { stop: false, statuses: new Map<number | string, number>() };
  const floods = Array.from({ length: 200 }, async () => {
    while (!flood.stop) {
      const s = await fetch(base + path, path.startsWith('/api') ? { method: 'POST', headers: { cookie, origin: base, 'content-type': 'application/json' }, body: JSON.stringify({ device: 'device-v', entries: [] }) } : { headers: { cookie } }).then(async (r) => { await r.arrayBuffer(); return r.status; }, (e) => String(e.cause?.code));
      flood.statuses.set(s, (flood.statuses.get(s) ?? 0) + 1);
    }
  });
  const loud = await victim(40);
  flood.stop = true;
  await Promise.all(floods);
  console.log(path.slice(0, 12), 'p50', loud[20], 'p95', loud[38], 'most', loud[39], [...flood.statuses]);
}
await browser.close();
