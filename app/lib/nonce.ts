import { createContext, useContext } from 'react'

/** The nonce that lets this page's own inline scripts run under the content security policy; empty in the browser. */
export const NonceContext = createContext('')
export const useNonce = () => useContext(NonceContext)
