import { DropdownMenu } from 'radix-ui'
import { Link } from 'react-router'
import { buttonClass } from '~/ui/button'

const item =
  'flex min-h-[56px] items-center px-4 text-lg font-semibold text-ink no-underline outline-none data-[highlighted]:bg-oxide data-[highlighted]:text-on-oxide'

/** What a job may need at any station, apart from its stations. */
export function JobMenu({ jobId, filed }: { jobId: string; filed: boolean }) {
  const places = [
    ['find', 'Find the fault'],
    ['sheets', 'Sheets of its parts'],
    ['pedal', 'Pedal before and after'],
    ['unit', 'Control unit: numbers, codes'],
    ['tag', 'Do-not-drive tag'],
    ['trace', 'Every act, with both clocks'],
    ['record', 'The record so far'],
    ...(filed ? [] : [['move', 'Wrong vehicle: move this job']]),
  ]
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger className={buttonClass({}, 'px-3 max-sm:ml-auto')}>
        Job <span aria-hidden="true">▾</span>
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          sideOffset={4}
          className="z-20 border-2 border-ink bg-sheet shadow-[4px_4px_0_var(--color-rule)]"
        >
          {places.map(([to, name]) => (
            <DropdownMenu.Item key={to} asChild>
              <Link to={`/jobs/${jobId}/${to}`} className={item}>
                {name}
              </Link>
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}
