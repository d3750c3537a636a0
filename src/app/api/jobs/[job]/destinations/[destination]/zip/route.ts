import { param, readRoute } from '@/server/http/route'
import { zipReply } from '@/server/http/zip-reply'
import { takeZip } from '@/server/use-cases/take-zip'

export const GET = readRoute((asked) => {
  const { name, zip } = takeZip(param(asked, 'job'), param(asked, 'destination'))
  return zipReply(name, zip)
})
