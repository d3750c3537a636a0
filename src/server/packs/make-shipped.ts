import { writeFileSync } from 'node:fs'
import { PackError } from '../../core/pack'
import { projectFolder } from '../files/data-folder'
import { EMPTY_LIBRARY, SHIPPED_FILE } from './library'
import { parseFolder } from './parse-folder'

/** Run once by the build: parses the shipped templates. A fault in one ends the build with its file and line. */
const { library, faults } = await parseFolder(projectFolder('templates'), EMPTY_LIBRARY)
if (faults.length > 0) throw new PackError(faults)
writeFileSync(SHIPPED_FILE, JSON.stringify(library))
