import { param, readRoute } from '@/server/http/route'
import { zipReply } from '@/server/http/zip-reply'
import { downloadZip } from '@/server/use-cases/download-zip'

export const GET = readRoute((asked) => {
  const { name, zip } = downloadZip(param(asked, 'job'), param(asked, 'destination'))
  return zipReply(name, zip)
})
