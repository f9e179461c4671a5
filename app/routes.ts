import { index, type RouteConfig, route } from '@react-router/dev/routes';

export default [
  index('routes/bench/bench.tsx'),
  route('sign-in', 'routes/sign-in/sign-in.tsx'),
  route('sign-out', 'routes/sign-in/sign-out.ts'),
  route('receive', 'routes/receive/new.ts'),
  route('receive/:draft', 'routes/receive/receive.tsx'),
  route('drafts/:draft', 'routes/receive/draft.ts'),
  route('jobs', 'routes/jobs/jobs.tsx'),
  route('jobs/:job/route', 'routes/route/route.tsx'),
  route('jobs/:job/work', 'routes/work/work.tsx'),
  route('jobs/:job/checks', 'routes/checks/checks.tsx'),
  route('jobs/:job/hand-over', 'routes/hand-over/hand-over.tsx'),
  route('jobs/:job/report', 'routes/report/report.tsx'),
  route('jobs/:job/report.pdf', 'routes/report/report-pdf.ts'),
  route('jobs/:job/log.json', 'routes/report/log-json.ts'),
  route('jobs/:job/events', 'routes/work/events.ts'),
  route('commands', 'routes/work/commands.ts'),
  route('live', 'routes/work/live.ts'),
  route('strip', 'routes/bench/strip.ts'),
] satisfies RouteConfig;
