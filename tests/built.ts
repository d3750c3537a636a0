import { bundlePrograms } from '../scripts/prepare.mjs'

/** Before any unit test: the readers, the stand-ins and the shipped templates are built, whichever way the tests were started. */
export default bundlePrograms
