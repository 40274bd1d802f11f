import { createHash } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import type { Request, Response } from 'express'

/** The page that checks an export: one file, whose one script is allowed by its sum. */
export function verifyPage(buildDir: string) {
  const page = readFileSync(join(buildDir, 'verify', 'verify.html'), 'utf8')
  const [, script = ''] = /<script>([\s\S]*)<\/script>/.exec(page) ?? []
  const sum = createHash('sha256').update(script).digest('base64')
  return (_request: Request, response: Response) => {
    response
      .set(
        'Content-Security-Policy',
        `default-src 'none'; script-src 'sha256-${sum}'; style-src 'unsafe-inline'`,
      )
      .type('html')
      .send(page)
  }
}
