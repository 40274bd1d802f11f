import type { useForm } from '@conform-to/react'
import type { Vehicle } from '~core/vehicle/schema'
import type { CheckInForm, CheckInTyped } from './check-in-form'

/** What each section of the check-in form needs: the vehicle that stands there, and the form's fields. */
export type SectionProps = {
  vehicle: Vehicle
  fields: ReturnType<typeof useForm<CheckInTyped, CheckInForm>>[1]
}
