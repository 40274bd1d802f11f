import { ruleWords } from '~/lib/due-words'
import { recordDocument } from '~/record/document'
import { type RecordDocument, recordDocumentSchema } from '~/record/document-schema'
import type { JobState } from '~core/job/state'
import { type Show, showIn } from '~core/units/show'
import { sayEnglish } from '~core/words'
import type { Queries } from '~server/db/database.server'
import { dueOfVehicle } from '~server/store/due.server'
import { pouredBy, shelfSettings } from '~server/store/shelf.server'
import { unitsFor } from '~server/store/units.server'

/** A job's record in the words and units of somebody; of nobody in particular, in the shop's. */
export async function documentOf(
  db: Queries,
  jobId: string,
  state: JobState,
  personId?: string,
): Promise<RecordDocument> {
  const { shown: units } = await unitsFor(db, personId)
  return recordDocument(state, {
    say: sayEnglish(showIn(units)),
    units,
    poured: await pouredBy(db, jobId),
    money: (await shelfSettings(db)).money,
    dueWhy: await whyDue(db, state, showIn(units)),
  })
}

/** The rule by which its fluid is due again. */
async function whyDue(db: Queries, { vehicleId, filed }: JobState, show: Show): Promise<string | undefined> {
  if (filed?.nextDueByHand) return ruleWords('promised', undefined, show)
  const due = await dueOfVehicle(db, vehicleId)
  return due && ruleWords(due.rule, due.limit_value, show)
}

/** The words that a record was filed with; undefined where it was filed before words were kept, or is not. */
export async function filedDocument(db: Queries, jobId: string): Promise<RecordDocument | undefined> {
  const [row] = await db.query<{ shown: unknown }>(
    `select state->'shown' as shown from record where job_id = $1`,
    [jobId],
  )
  return row?.shown ? recordDocumentSchema.parse(row.shown) : undefined
}
