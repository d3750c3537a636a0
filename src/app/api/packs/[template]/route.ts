import { problemResponse } from '@/server/http'
import { takeOutPack } from '@/server/pack-zip'

export async function GET(_: Request, { params }: { params: Promise<{ template: string }> }): Promise<Response> {
  try {
    const { template } = await params
    return new Response(new Uint8Array(takeOutPack(template)), {
      headers: { 'content-type': 'application/zip', 'content-disposition': `attachment; filename="${encodeURIComponent(template)}.zip"`, 'cache-control': 'no-store' },
    })
  } catch (error) {
    return problemResponse(error)
  }
}
