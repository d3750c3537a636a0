import { writeFileSync } from 'node:fs'
import { readShippedPack } from '../read-pack'

writeFileSync(process.env.MUTATE_PACK ?? '', JSON.stringify(readShippedPack()))
