import { jobState } from '../../src/server/log/edit-log'
import { listJobs } from '../../src/server/store/jobs'

/** Opens the database of the data folder, whatever its format, and reads each job; says so as it goes on. */
process.stdout.write('begun\n')
for (const { id } of listJobs()) process.stdout.write(`${id} ${jobState(id).revision}\n`)
