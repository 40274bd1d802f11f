import { Link, useNavigate } from 'react-router'
import { useSay } from '~/lib/say'
import { practiceVehicles } from '~core/job/practice'

type Chosen = { name: string; way: string; hides: number | 'unknown'; wheel?: number }

/** Where a practice of this kind begins. */
export const practiceAddress = ({ name, way, hides, wheel }: Chosen): string =>
  `/practice?vehicle=${name}&way=${way}&hides=${hides}${wheel ? `&wheel=${wheel}` : ''}`

/** That nothing is recorded, and what is practised on: another choice begins anew. */
export function PracticeHead({ ways, ...now }: Chosen & { ways: readonly string[] }) {
  const say = useSay()
  const go = useNavigate()
  const begin = (changed: Partial<Chosen>) => void go(practiceAddress({ ...now, ...changed }))
  return (
    <header className="hatched flex flex-wrap items-center gap-x-4 gap-y-2 border-4 border-oxide p-3">
      <h1 className="text-2xl">Practice: nothing is recorded</h1>
      <label className="flex items-center gap-2 bg-sheet px-2 whitespace-nowrap">
        <span>On</span>
        <select
          className="input min-h-12"
          value={now.name}
          onChange={({ target }) => begin({ name: target.value, wheel: 0 })}
        >
          {practiceVehicles.map(({ name, called }) => (
            <option key={name} value={name}>
              {called}
            </option>
          ))}
        </select>
      </label>
      <label className="flex items-center gap-2 bg-sheet px-2 whitespace-nowrap">
        <span>By</span>
        <select
          className="input min-h-12"
          value={now.way}
          onChange={({ target }) => begin({ way: target.value })}
        >
          {ways.map((each) => (
            <option key={each} value={each}>
              {say({ code: `technique-${each}` })}
            </option>
          ))}
        </select>
      </label>
      <label className="flex items-center gap-2 bg-sheet px-2 whitespace-nowrap">
        <span>It is</span>
        <select
          className="input min-h-12"
          value={now.hides === 0 ? '0' : 'unknown'}
          onChange={({ target }) => begin({ hides: target.value === '0' ? 0 : 'unknown', wheel: 0 })}
        >
          <option value="0">sound</option>
          <option value="unknown">with something hidden</option>
        </select>
      </label>
      <span className="bg-sheet px-2">
        <Link to="/bench">Leave practice</Link>
      </span>
    </header>
  )
}
