import { param, readRoute } from '@/server/http/route'
import { zipReply } from '@/server/http/zip-reply'
import { takeRelease } from '@/server/use-cases/take-release'

export const GET = readRoute((asked) => {
  const { name, zip } = takeRelease(param(asked, 'job'), param(asked, 'release'))
  return zipReply(name, zip)
})
