import type { useForm } from '@conform-to/react'
import type { CheckInForm, CheckInTyped } from '~/lib/check-in-form'
import type { Vehicle } from '~core/vehicle/schema'

/** What each section of the check-in form needs: the vehicle that stands there, and the form's fields. */
export type SectionProps = {
  vehicle: Vehicle
  fields: ReturnType<typeof useForm<CheckInTyped, CheckInForm>>[1]
}
