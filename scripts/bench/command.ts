import { spawn } from 'node:child_process'
import { once } from 'node:events'
import { line, medianMs, ms } from './measure'

export async function benchCommand() {
  const input = JSON.stringify({ dryC: 230, wetC: 155, waterPct: 2 })
  const taken = await medianMs(10, async () => {
    const child = spawn(process.execPath, ['build/node/siphon.js', 'calc', 'boiling-point'], {
      stdio: ['pipe', 'ignore', 'inherit'],
    })
    child.stdin.end(input)
    await once(child, 'exit')
  })
  line('siphon calc boiling-point, whole command', ms(taken), 'about 1 s')
}
