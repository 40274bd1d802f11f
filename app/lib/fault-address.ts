import { type Complaint, complaintIds } from '~core/diagnosis/complaints'
import type { FaultFinding } from '~core/job/events/fault-looked'

/** What is looked for and was found, as it stands in an address: `complaint=…&found=check.result.at&travel=check.mm&tried=…`. */
export function toAddress({ complaint, found, tried, was }: FaultFinding): URLSearchParams {
  return new URLSearchParams([
    ['complaint', complaint],
    ...found.map(({ check, result, at }): [string, string] => [
      'found',
      [check, result, ...(at === undefined ? [] : [at])].join('.'),
    ]),
    ...found.flatMap(({ check, travelMm }): [string, string][] =>
      travelMm === undefined ? [] : [['travel', `${check}.${travelMm}`]],
    ),
    ...tried.map((id): [string, string] => ['tried', id]),
    ...(was === undefined ? [] : [['was', was] satisfies [string, string]]),
  ])
}

/** @returns undefined where no complaint is named */
export function fromAddress(address: URLSearchParams): FaultFinding | undefined {
  const complaint = address.get('complaint') as Complaint | null
  if (complaint === null || !complaintIds.includes(complaint)) return undefined
  const travel = new Map(
    address.getAll('travel').flatMap((each): [string, number][] => {
      const [check = '', ...mm] = each.split('.')
      const travelMm = Number(mm.join('.'))
      return mm.length > 0 && travelMm >= 0 ? [[check, travelMm]] : []
    }),
  )
  return {
    complaint,
    found: address.getAll('found').map((each) => {
      const [check = '', result = '', ...at] = each.split('.')
      const travelMm = travel.get(check)
      return {
        check,
        result,
        ...(at.length > 0 && { at: at.join('.') }),
        ...(travelMm !== undefined && { travelMm }),
      }
    }),
    tried: address.getAll('tried'),
    ...(address.get('was') && { was: address.get('was') ?? '' }),
  }
}
