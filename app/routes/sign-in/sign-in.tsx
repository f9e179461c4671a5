import * as wording from '../../../words/screens/sign-in';
import { Button, Input } from 'antd';
import { Form, redirect, useNavigation } from 'react-router';
import { z } from 'zod';
import { setUpOpen } from '../../../server/use-cases/set-up';
import { demoPeople, demoSignIn, signIn } from '../../../server/use-cases/sign-in';
import { formBody, localPath, peerContext, requireSameOrigin, whoContext } from '../../context';
import type { Route } from './+types/sign-in';
import { FrontPage } from '../../ui/front-page';
import { Field } from '../../ui/field';
import { Note } from '../../ui/note';

const form = z.object({
  login: z.string().trim().min(1, wording.giveYourLogin).max(80, wording.atMostCharacters(80)),
  password: z.string().min(1, wording.giveYourPassword).max(200, wording.atMostCharacters(200)),
});
export async function loader({ request, context }: Route.LoaderArgs) {
  const asked = context.get(whoContext);
  const to = localPath(new URL(request.url).searchParams.get('to'));
  if (asked.state === 'known') throw redirect(to);
  if (asked.state !== 'no database' && (await setUpOpen())) throw redirect('/set-up');
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
    return { errors: { form: wording.demoSignInWorksOn }, login: '' };
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
      ? wording.loginOrPasswordIsWrong
      : wording.tooManyAttemptsTryAgain(Math.ceil(done.seconds / 60));
  return { errors: { form: text } as Record<string, string>, login };
}

export default function SignIn({ loaderData, actionData }: Route.ComponentProps) {
  const { people, to, away } = loaderData;
  return (
    <FrontPage>
      {away && <Note tone="stop">{wording.theDatabaseCannotBeReached}</Note>}
      <LoginForm to={to} errors={actionData?.errors ?? {}} login={actionData?.login ?? ''} />
      {people.length > 0 && <DemoPeople to={to} people={people} />}
    </FrontPage>
  );
}

function LoginForm({ to, errors, login }: { to: string; errors: Record<string, string>; login: string }) {
  const busy = useNavigation().state !== 'idle';
  const wrong = (field: string) =>
    errors[field] ? { validateStatus: 'error' as const, help: errors[field] } : {};
  return (
    <Form method="post" className="card stack" noValidate>
      <h2>{wording.signIn}</h2>
      <input type="hidden" name="to" value={to} />
      {errors.form && (
        <Note tone="stop" role="alert">
          {errors.form}
        </Note>
      )}
      <Field label={wording.login} htmlFor="login" {...wrong('login')}>
        <Input
          id="login"
          name="login"
          autoComplete="username"
          defaultValue={login}
          aria-invalid={!!errors.login}
        />
      </Field>
      <Field label={wording.password} htmlFor="password" {...wrong('password')}>
        <Input.Password
          id="password"
          name="password"
          autoComplete="current-password"
          aria-invalid={!!errors.password}
        />
      </Field>
      <Button type="primary" htmlType="submit" loading={busy}>
        {wording.signIn}
      </Button>
    </Form>
  );
}

function DemoPeople({
  to,
  people,
}: {
  to: string;
  people: readonly { login: string; name: string; role: string; bench: string }[];
}) {
  return (
    <Form method="post" className="card stack">
      <h2>{wording.demoPeople}</h2>
      <p className="muted small">{wording.offeredOnThisMachineOnly}</p>
      <input type="hidden" name="to" value={to} />
      <div className="cols halves">
        {people.map((p) => (
          <Button key={p.login} htmlType="submit" name="demo" value={p.login} className="begin to-left">
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
  );
}
