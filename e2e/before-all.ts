import { makeDemoOnce } from './server'

export default makeDemoOnce
