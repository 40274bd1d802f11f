import { makeDemoOnce } from '../test/http/server'

export default makeDemoOnce
