import { type ChildProcess, execFileSync, spawn } from 'node:child_process';
import { createServer, connect } from 'node:net';
import { once } from 'node:events';
import { expect, request, test } from '@playwright/test';

/** A server of its own, with a database of its own that is made for one test. */
async function started(database: string, env: Record<string, string>): Promise<Started> {
  const url = new URL(process.env.DATABASE_URL!);
  execFileSync('psql', [url.href, '-X', '-q', '-c', `create database ${database}`]);
  url.pathname = `/${database}`;
  const child = spawn(process.execPath, ['server.mjs'], {
    env: {
      ...process.env,
      NODE_ENV: 'production',
      SNAVEK_DEMO: '1',
      LOG_LEVEL: 'warn',
      DATABASE_URL: url.href,
      ...env,
    },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  const s: Started = {
    out: '',
    child,
    end: async () => {
      const gone = once(child, 'exit');
      child.kill('SIGTERM');
      await gone;
    },
  };
  for (const stream of [child.stdout!, child.stderr!])
    stream.on('data', (d: Buffer) => {
      s.out += d;
    });
  return s;
}
interface Started {
  out: string;
  child: ChildProcess;
  end: () => Promise<void>;
}
const port = Number(process.env.SNAVEK_TEST_PORT ?? 4110) + 1;

test('started before its database, as after a power cut, the app waits and says so, and is ready once that is there', async () => {
  const real = new URL(process.env.DATABASE_URL!);
  // the way to the database: at first there is nothing at its other end
  let there = false;
  const way = createServer((socket) => {
    if (!there) {
      socket.destroy();
      return;
    }
    const on = connect(Number(real.port), real.hostname);
    socket.pipe(on).pipe(socket);
    for (const s of [socket, on]) s.on('error', () => socket.destroy());
  });
  way.listen(0, '127.0.0.1');
  await once(way, 'listening');
  const through = new URL(real.href);
  through.port = String((way.address() as { port: number }).port);
  through.pathname = '/snavek_late';
  const s = await started('snavek_late', {
    PORT: String(port),
    HOST: '127.0.0.1',
    DATABASE_URL: through.href,
  });
  try {
    await expect.poll(() => s.out, { timeout: 30_000 }).toContain('cannot be reached yet');
    expect(s.child.exitCode).toBeNull();
    there = true;
    await expect.poll(() => s.out, { timeout: 60_000 }).toContain('Snavek is ready');
    expect(await (await fetch(`http://127.0.0.1:${port}/healthz`)).json()).toMatchObject({
      ok: true,
      writable: true,
    });
  } finally {
    await s.end();
    way.close();
  }
});

test('outside loopback nobody signs in with one click: the password is made at the first start, and said there', async () => {
  execFileSync('bash', ['scripts/tls.sh'], { stdio: 'ignore' });
  const env = { PORT: String(port), HOST: '0.0.0.0' };
  const s = await started('snavek_open', env);
  const asked = await request.newContext({
    baseURL: `https://127.0.0.1:${port}`,
    ignoreHTTPSErrors: true,
    extraHTTPHeaders: { origin: `https://127.0.0.1:${port}` },
  });
  const signIn = (form: Record<string, string>) => asked.post('/sign-in', { form, maxRedirects: 0 });
  try {
    await expect.poll(() => s.out, { timeout: 60_000 }).toMatch(/with the password \S+ \(made just now/);
    const password = /with the password (\S+) /.exec(s.out)![1]!;
    expect(await (await asked.get('/sign-in')).text()).not.toContain('value="ines"');
    expect((await signIn({ demo: 'ines' })).status()).toBe(200);
    expect(await (await signIn({ login: 'ines', password: 'ines' })).text()).toContain(
      'Login or password is wrong',
    );
    const done = await signIn({ login: 'ines', password });
    expect(done.status()).toBe(302);
    expect(done.headers()['set-cookie']).toMatch(/Secure/);
    expect(done.headers()['strict-transport-security']).toBeDefined();
  } finally {
    await asked.dispose();
    await s.end();
  }
});
