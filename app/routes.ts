import { index, layout, type RouteConfig, route } from '@react-router/dev/routes';
import { jobScreens } from './screens';

export default [
  // screens inside the workshop's frame
  layout('routes/frame/shop.tsx', [
    layout('routes/frame/body.tsx', [
      index('routes/bench/bench.tsx'),
      route('receive/:draft', 'routes/receive/receive.tsx'),
      route('stock', 'routes/stock/stock.tsx'),
      route('stock/spares', 'routes/spares/spares.tsx'),
      route('workshop', 'routes/workshop/workshop.tsx'),
      route('account', 'routes/account/account.tsx'),
      route('jobs', 'routes/jobs/jobs.tsx'),
      route(
        'jobs/:job',
        'routes/frame/job.tsx',
        jobScreens.map(({ path }) => route(path, `routes/${path}/${path}.tsx`)),
      ),
    ]),
  ]),
  route('sign-in', 'routes/sign-in/sign-in.tsx'),
  route('set-up', 'routes/set-up/set-up.tsx'),
  route('invite/:token', 'routes/invite/invite.tsx'),
  route('sign-out', 'routes/sign-in/sign-out.ts'),
  route('receive', 'routes/receive/new.ts'),
  route('drafts/:draft', 'routes/receive/draft.ts'),
  route('receive/:draft/history', 'routes/receive/history.ts'),
  route('fixed/models/:hash/:variant.json', 'routes/fixed/model.ts'),
  route('fixed/routes/:hash.json', 'routes/fixed/route.ts'),
  route('jobs.csv', 'routes/jobs/jobs-csv.ts'),
  route('stock.csv', 'routes/stock/stock-csv.ts'),
  route('stock/spares.csv', 'routes/spares/spares-csv.ts'),
  route('jobs/:job/photos/:photo', 'routes/photos/photo.ts'),
  route('jobs/:job/signatures/:signature', 'routes/offer/signature.ts'),
  route('jobs/:job/offer.pdf', 'routes/offer/offer-pdf.ts'),
  route('jobs/:job/route/print', 'routes/route/print.tsx'),
  route('jobs/:job/route.json', 'routes/route/route-json.ts'),
  route('jobs/:job/report', 'routes/report/report.tsx'),
  route('jobs/:job/report.pdf', 'routes/report/report-pdf.ts'),
  route('jobs/:job/log.json', 'routes/report/log-json.ts'),
  route('jobs/:job/mat', 'routes/work/mat-print.tsx'),
  route('jobs/:job/identity', 'routes/work/identity.ts'),
  route('jobs/:job/events', 'routes/work/events.ts'),
  route('commands', 'routes/work/commands.ts'),
  route('live', 'routes/work/live.ts'),
  route('open-jobs', 'routes/bench/open-jobs-json.ts'),
] satisfies RouteConfig;
