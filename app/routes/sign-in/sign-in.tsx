import { Button, Input } from 'antd';
import { Form, redirect, useNavigation } from 'react-router';
import { z } from 'zod';
import { demoPeople, demoSignIn, signIn } from '../../../server/use-cases/sign-in';
import { formBody, localPath, peerContext, requireSameOrigin, whoContext } from '../../context';
import type { Route } from './+types/sign-in';
import { Note } from '../../ui/note';

const form = z.object({
  login: z.string().trim().min(1, 'Give your login name.').max(80, 'At most 80 characters.'),
  password: z.string().min(1, 'Give your password.').max(200, 'At most 200 characters.'),
});
export async function loader({ request, context }: Route.LoaderArgs) {
  const asked = context.get(whoContext);
  const to = localPath(new URL(request.url).searchParams.get('to'));
  if (asked.state === 'known') throw redirect(to);
  const people = asked.state === 'no database' ? [] : await demoPeople(request);
  return { people, to, away: asked.state === 'no database' };
}

export async function action({ request, context }: Route.ActionArgs) {
  requireSameOrigin(request);
  const data = await formBody(request);
  const to = localPath(data.get('to'));
  const demo = data.get('demo');
  if (typeof demo === 'string') {
    const done = await demoSignIn(demo, request);
    if (done.ok) throw redirect(to, { headers: { 'Set-Cookie': done.cookie } });
    return { errors: { form: 'Demo sign-in works on this machine only, with demo data.' }, login: '' };
  }
  const login = String(data.get('login') ?? '');
  const read = form.safeParse({ login, password: data.get('password') ?? '' });
  if (!read.success)
    return {
      errors: Object.fromEntries(read.error.issues.map((i) => [String(i.path[0]), i.message])) as Record<
        string,
        string
      >,
      login,
    };
  const done = await signIn(read.data.login, read.data.password, context.get(peerContext), request);
  if (done.ok) throw redirect(to, { headers: { 'Set-Cookie': done.cookie } });
  const text =
    done.code === 'wrong'
      ? 'Login or password is wrong.'
      : `Too many attempts. Try again in ${Math.ceil(done.seconds / 60)} min.`;
  return { errors: { form: text } as Record<string, string>, login };
}

export default function SignIn({ loaderData, actionData }: Route.ComponentProps) {
  const busy = useNavigation().state !== 'idle';
  const errors: Record<string, string> = actionData?.errors ?? {};
  return (
    <main
      style={{
        minHeight: '100vh',
        display: 'grid',
        gridTemplateColumns: 'minmax(0,1fr) minmax(0,1fr)',
        background: 'var(--head)',
      }}
    >
      <div style={{ color: 'var(--head-ink)', padding: '12vh 8vw', alignSelf: 'center' }}>
        <h1 className="size-44">snavek</h1>
        <p className="size-20 top-12">Every screw, connector and step of the repair, computed and kept.</p>
      </div>
      <div style={{ background: 'var(--paper)', display: 'grid', placeItems: 'center', padding: 24 }}>
        <div className="stack" style={{ width: 'min(420px, 100%)' }}>
          {loaderData.away && (
            <Note tone="stop">The database cannot be reached. Signing in works again when it is back.</Note>
          )}
          <Form method="post" className="card stack" noValidate>
            <h2>Sign in</h2>
            <input type="hidden" name="to" value={loaderData.to} />
            {errors.form && (
              <Note tone="stop" role="alert">
                {errors.form}
              </Note>
            )}
            <div className="field">
              <label htmlFor="login">Login</label>
              <Input
                id="login"
                name="login"
                autoComplete="username"
                defaultValue={actionData?.login ?? ''}
                aria-invalid={!!errors.login}
                aria-describedby={errors.login ? 'login-error' : undefined}
              />
              {errors.login && (
                <span id="login-error" className="error">
                  {errors.login}
                </span>
              )}
            </div>
            <div className="field">
              <label htmlFor="password">Password</label>
              <Input
                id="password"
                name="password"
                type="password"
                autoComplete="current-password"
                aria-invalid={!!errors.password}
                aria-describedby={errors.password ? 'password-error' : undefined}
              />
              {errors.password && (
                <span id="password-error" className="error">
                  {errors.password}
                </span>
              )}
            </div>
            <Button type="primary" htmlType="submit" loading={busy}>
              Sign in
            </Button>
          </Form>
          {loaderData.people.length > 0 && (
            <Form method="post" className="card stack">
              <h2>Demo people</h2>
              <p className="muted small">Offered on this machine only, with demo data.</p>
              <input type="hidden" name="to" value={loaderData.to} />
              <div className="cols halves">
                {loaderData.people.map((p) => (
                  <Button
                    key={p.login}
                    htmlType="submit"
                    name="demo"
                    value={p.login}
                    className="begin to-left"
                  >
                    <span>
                      {p.name}
                      <span className="muted small plain block">
                        {p.role}, {p.bench}
                      </span>
                    </span>
                  </Button>
                ))}
              </div>
            </Form>
          )}
        </div>
      </div>
    </main>
  );
}
