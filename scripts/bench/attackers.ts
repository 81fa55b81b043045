import { performance } from 'node:perf_hooks';

/** Run beside a load, as `attackers flood BASE ATTEMPT COOKIE SECONDS` or `attackers sign-in BASE HOW-MANY PASSWORD`. */
const [what, base = '', ...rest] = process.argv.slice(2);

/** Two hundred requests at a time of one session, for some seconds. */
async function flood([attempt = '', cookie = '', seconds = '1']: string[]): Promise<void> {
  const end = Date.now() + Number(seconds) * 1000;
  const statuses = new Map<number, number>();
  await Promise.all(
    Array.from({ length: 200 }, async () => {
      while (Date.now() < end) {
        const status = await fetch(`${base}/api/room/${attempt}`, {
          method: 'POST',
          headers: { cookie, origin: base, 'content-type': 'application/json' },
          body: '{"device":"device-flood","entries":[]}',
        }).then(
          async (response) => (await response.arrayBuffer(), response.status),
          () => 0,
        );
        statuses.set(status, (statuses.get(status) ?? 0) + 1);
      }
    }),
  );
  console.log(JSON.stringify(Object.fromEntries(statuses)));
}

/** So many people who sign in at once, each as the page's form would. */
async function signIn([many = '200', password = '']: string[]): Promise<void> {
  const page = await (await fetch(`${base}/sign-in`)).text();
  const hidden = [...page.matchAll(/<input type="hidden" name="([^"]+)"(?: value="([^"]*)")?/g)];
  const from = performance.now();
  let inside = 0;
  await Promise.all(
    Array.from({ length: Number(many) }, async (_, i) => {
      const form = new FormData();
      for (const [, name = '', value = ''] of hidden) form.set(name, value.replaceAll('&quot;', '"'));
      form.set('userName', `m${i}`);
      form.set('password', password);
      const response = await fetch(`${base}/sign-in`, {
        method: 'POST',
        body: form,
        headers: { origin: base },
        redirect: 'manual',
      });
      if (response.headers.get('set-cookie')?.includes('zonda-session')) inside += 1;
    }),
  );
  console.log(JSON.stringify({ inside, milliseconds: Math.round(performance.now() - from) }));
}

await (what === 'flood' ? flood(rest) : signIn(rest));
