import { createServer, type Server } from 'node:net';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { must } from '@/core/base/result';
import { openOutbox, sendWaiting } from '@/server/mail/outbox';
import { writeToStudents } from '@/server/mail/write-to-students';
import { setEmail } from '@/server/people/roster';
import { smtpMailer } from '@/server/ports/mailer';
import type { Mail } from '@/server/ports/mailer-port';
import { enterSitting } from '@/server/sittings/enter';
import { TestDepartment } from '../drivers/department';

/** Messages to the students of a sitting, from the teacher's words to whatever carries them. */
let dept: TestDepartment;
let sitting: string;
beforeEach(async () => {
  dept = await TestDepartment.open();
  ({ sitting } = await dept.sitting(1));
  for (const who of ['ada', 'ben'])
    must(await setEmail(dept.as('teacher'), { course: dept.course, member: dept.id(who), email: `${who}@k.example` }));
});
afterEach(() => dept.close());

const write = (more: object = {}, who = 'teacher') =>
  writeToStudents(dept.as(who), {
    sitting,
    to: 'all',
    subject: '[exam] for [name]',
    text: '[minutes] minutes from [opens]: [address]',
    opens: 'Mon 9:00',
    closes: 'Mon 11:00',
    address: 'https://zonda.example/my',
    ...more,
  });
const outbox = async (who = 'lead') => must(await openOutbox(dept.as(who))).rows;

describe('what is written', () => {
  it('goes to each with their own words, and those without an address are named', async () => {
    must(await setEmail(dept.as('teacher'), { course: dept.course, member: dept.id('ben'), email: ' ' }));
    expect(must(await write())).toEqual({ messages: 1, unreached: ['ben'] });
    expect(await outbox()).toMatchObject([
      {
        to: 'ada@k.example',
        subject: 'Test exam for ada',
        text: '30 minutes from Mon 9:00: https://zonda.example/my',
        state: 'waiting',
      },
    ]);
  });

  it('as a reminder goes only to who has not begun', async () => {
    must(await enterSitting(dept.as('ada'), sitting));
    expect(must(await write({ to: 'not begun' })).messages).toBe(1);
    expect((await outbox()).map(({ name }) => name)).toEqual(['ben']);
  });

  it('is refused without words, without anybody to reach, and to who does not run the sitting', async () => {
    expect(await write({ subject: ' ' })).toMatchObject({ refusal: { values: { problem: 'subject-empty' } } });
    expect(await write({ text: ' ' })).toMatchObject({ refusal: { values: { problem: 'notice-empty' } } });
    for (const who of ['stranger', 'marker', 'ada']) expect((await write({}, who)).ok).toBe(false);
    for (const who of ['ada', 'ben'])
      must(await setEmail(dept.as('teacher'), { course: dept.course, member: dept.id(who), email: '' }));
    expect(await write()).toMatchObject({ refusal: { code: 'nobody-reached' } });
  });

  it('is read by who wrote it and by the lead', async () => {
    must(await write());
    expect([(await outbox()).length, (await outbox('teacher')).length, (await outbox('stranger')).length]).toEqual([
      2, 2, 0,
    ]);
    for (const who of ['marker', 'ada']) expect((await openOutbox(dept.as(who))).ok).toBe(false);
  });
});

describe('what waits', () => {
  const out = (send: (mail: Mail) => Promise<void>) => ({ ...dept.out, mailer: { kept: false, send } });

  it('is handed on once, however many processes look at it', async () => {
    must(await write());
    const sent: string[] = [];
    const mailer = out(({ to }) => Promise.resolve(void sent.push(to)));
    await Promise.all([sendWaiting(mailer), sendWaiting(mailer), sendWaiting(mailer)]);
    expect([sent.sort(), (await outbox()).map(({ state }) => state)]).toEqual([
      ['ada@k.example', 'ben@k.example'],
      ['sent', 'sent'],
    ]);
  });

  it('is tried again later and later, then given up; one that fails holds up no other', async () => {
    must(await write());
    let tries = 0;
    const mailer = () =>
      out(({ to }) => (to.startsWith('ada') ? ((tries += 1), Promise.reject(new Error('no'))) : Promise.resolve()));
    expect(await sendWaiting(mailer())).toMatchObject({ sent: 1, failed: [expect.any(Error)] });
    await sendWaiting(mailer());
    expect(tries).toBe(1);
    for (const minutes of [1, 2, 4, 8, 16, 32]) {
      dept.pass(minutes);
      await sendWaiting(mailer());
    }
    expect([tries, (await outbox()).map(({ name, state }) => [name, state])]).toEqual([
      6,
      [
        ['ada', 'failed'],
        ['ben', 'sent'],
      ],
    ]);
  });

  it('and was left by a process that died is sent by another', async () => {
    must(await write());
    const never = out(() => new Promise<void>(() => undefined));
    void sendWaiting(never);
    await expect.poll(async () => (await outbox()).filter(({ state }) => state === 'sending').length).toBe(2);
    dept.pass(6);
    expect((await sendWaiting(out(() => Promise.resolve()))).sent).toBe(2);
  });
});

describe('the mail server', () => {
  let server: Server;
  const heard: string[] = [];
  afterEach(() => void server.close());

  /** As much of RFC 5321 as a message needs. */
  const listen = (): Promise<number> =>
    new Promise((done) => {
      server = createServer((socket) => {
        let inData = false;
        socket.write('220 here\r\n');
        socket.on('data', (chunk) => {
          const text = chunk.toString();
          heard.push(text);
          if (inData) {
            if (!text.includes('\r\n.\r\n')) return;
            inData = false;
            socket.write('250 taken\r\n');
          } else if (text.startsWith('DATA')) {
            inData = true;
            socket.write('354 go on\r\n');
          } else socket.write(text.startsWith('QUIT') ? '221 bye\r\n' : '250 fine\r\n');
        });
      });
      server.listen(0, '127.0.0.1', () => done((server.address() as { port: number }).port));
    });

  it('is given the message to the one address, whatever stands in its subject', async () => {
    const port = await listen();
    const mailer = smtpMailer(`smtp://127.0.0.1:${port}`, 'zonda@k.example');
    await mailer.send({ to: 'ada@k.example', subject: 'Wind\r\nBcc: x@y.example', text: 'Größe 5 m' });
    const said = heard.join('');
    expect(said.match(/RCPT TO:<[^>]*>/g)).toEqual(['RCPT TO:<ada@k.example>']);
    expect(said).toMatch(/^From: zonda@k\.example/m);
    expect(said).not.toMatch(/^Bcc:/m);
    expect(said).toMatch(/Gr=C3=B6=C3=9Fe|R3LDtsOfZ/);
  });

  it('that is away is a failure, not a crash', async () => {
    const port = await listen();
    await new Promise((done) => server.close(done));
    await expect(
      smtpMailer(`smtp://127.0.0.1:${port}`, 'a@b.example').send({ to: 'a@b.example', subject: '', text: '' }),
    ).rejects.toThrow();
  });
});
