import type { ComponentProps } from 'react'
import { Form } from 'react-router'

/** A panel that is a form: what is said in it is sent together. */
export const FormPanel = ({ className = '', ...rest }: ComponentProps<typeof Form>) => (
  <Form method="post" className={`panel ${className}`} {...rest} />
)
