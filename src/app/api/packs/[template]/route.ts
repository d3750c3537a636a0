import { param, readRoute } from '@/server/http/route'
import { zipReply } from '@/server/http/zip-reply'
import { takePackOut } from '@/server/use-cases/packs'

export const GET = readRoute((asked) => {
  const template = param(asked, 'template')
  return zipReply(`${template}.zip`, takePackOut(template))
})
