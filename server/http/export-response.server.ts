import { Readable } from 'node:stream'

/** An export as a file to keep, line by line as it is made. */
export const exportResponse = (name: string, lines: AsyncGenerator<string>): Response =>
  new Response(
    Readable.toWeb(Readable.from(lines).map((line: string) => Buffer.from(line))) as ReadableStream,
    {
      headers: {
        'Content-Type': 'application/jsonl; charset=utf-8',
        'Content-Disposition': `attachment; filename="${name}"`,
        'Cache-Control': 'no-store',
      },
    },
  )
