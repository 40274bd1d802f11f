import type { Config } from '@react-router/dev/config'

export default {
  appDirectory: 'app',
  buildDirectory: 'build',
  ssr: true,
  // All of it, once, with the first page: page by page it would be a request more between a tap and its page.
  routeDiscovery: { mode: 'initial' },
  future: { v8_middleware: true },
} satisfies Config
