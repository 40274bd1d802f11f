import { useNavigate } from 'react-router'
import { useSay } from '~/lib/say'
import { LoneLink } from '~/ui/lone-link'
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
    <header className="hatched-edge flex flex-wrap items-center gap-x-4 gap-y-2 border-4 border-oxide p-3 pl-7">
      <h1 className="text-2xl">Practice: nothing is recorded</h1>
      <Choose
        label="On"
        value={now.name}
        among={practiceVehicles.map(({ name, called }) => [name, called])}
        onChosen={(name) => begin({ name, wheel: 0 })}
      />
      <Choose
        label="By"
        value={now.way}
        among={ways.map((each) => [each, say({ code: `technique-${each}` })])}
        onChosen={(way) => begin({ way })}
      />
      <Choose
        label="It is"
        value={now.hides === 0 ? 'sound' : 'unknown'}
        among={[
          ['sound', 'sound'],
          ['unknown', 'with something hidden'],
        ]}
        onChosen={(value) => begin({ hides: value === 'sound' ? 0 : 'unknown', wheel: 0 })}
      />
      <span className="bg-sheet px-2">
        <LoneLink to="/bench">Leave practice</LoneLink>
      </span>
    </header>
  )
}

type ChooseProps = {
  label: string
  value: string
  /** Each with what it is called. */
  among: readonly (readonly [value: string, called: string])[]
  onChosen: (value: string) => void
}

const Choose = ({ label, value, among, onChosen }: ChooseProps) => (
  <label className="flex items-center gap-2 bg-sheet px-2 whitespace-nowrap">
    <span>{label}</span>
    <select className="input min-h-12" value={value} onChange={({ target }) => onChosen(target.value)}>
      {among.map(([each, called]) => (
        <option key={each} value={each}>
          {called}
        </option>
      ))}
    </select>
  </label>
)
