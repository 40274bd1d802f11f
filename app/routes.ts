import { index, layout, type RouteConfig, route } from '@react-router/dev/routes'

export default [
  route('who', 'routes/who.tsx'),
  layout('routes/shell.tsx', [
    index('routes/yard.tsx'),
    route('vehicles', 'routes/vehicles.tsx'),
    route('vehicles/:vehicleId', 'routes/vehicle.tsx'),
    route('logbook', 'routes/logbook.tsx'),
    route('bench', 'routes/bench.tsx'),
    route('bench/:page', 'routes/bench-page.tsx'),
    route('units', 'routes/units.tsx'),
    route('settings', 'routes/settings.tsx'),
    route('people', 'routes/people.tsx'),
    route('jobs/:jobId', 'routes/job.tsx', [
      index('routes/job-now.tsx'),
      route('check-in', 'routes/check-in.tsx'),
      route('test', 'routes/test.tsx'),
      route('plan', 'routes/plan.tsx'),
      route('bleed', 'routes/bleed.tsx'),
      route('prove', 'routes/prove.tsx'),
      route('file', 'routes/file.tsx'),
      route('move', 'routes/move.tsx'),
      route('trace', 'routes/trace.tsx'),
    ]),
    route('*', 'routes/not-found.tsx'),
  ]),
  route('jobs/:jobId/events', 'routes/job-events.ts'),
  route('jobs/:jobId/log.json', 'routes/job-log.ts'),
  route('jobs/:jobId/record', 'routes/record.tsx'),
  route('jobs/:jobId/tag', 'routes/tag.tsx'),
  route('vehicles/:vehicleId/file.json', 'routes/vehicle-file.ts'),
] satisfies RouteConfig
