import { expect, test, vi } from 'vitest'
import { log } from '~server/http/log.server'
import { handleError } from './entry.server'

test('an error before the router has a context is logged, not lost in another', () => {
  const logged = vi.spyOn(log, 'error').mockImplementation(() => {})
  const error = new Error('no context yet')
  const request = new Request('http://here/jobs/1')
  handleError(error, { request, params: {}, context: undefined as never })
  expect(logged).toHaveBeenCalledWith(
    expect.objectContaining({ err: error, url: '/jobs/1' }),
    expect.any(String),
  )
  logged.mockRestore()
})
