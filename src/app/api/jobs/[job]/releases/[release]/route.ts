import { param, readRoute } from '@/server/http/route'
import { zipReply } from '@/server/http/zip-reply'
import { downloadRelease } from '@/server/use-cases/download-release'

export const GET = readRoute((asked) => {
  const { name, zip } = downloadRelease(param(asked, 'job'), param(asked, 'release'))
  return zipReply(name, zip)
})
