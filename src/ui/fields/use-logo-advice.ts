import { useEffect, useState } from 'react'
import { thumbnailUrl, adviseLogo, type AssetInfo, type LogoAdvice } from '@/core/image'

/** The longer side that a logo is looked at with, in px: enough to tell light from dark. */
const LOOK_PX = 96

/** What is worth saying of a logo, from its own pixels; null until they are here. */
export function useLogoAdvice(asset: AssetInfo | undefined): LogoAdvice | null {
  const [advice, setAdvice] = useState<LogoAdvice | null>(null)
  useEffect(() => {
    setAdvice(null)
    if (!asset) return
    let isCurrent = true
    const image = new Image()
    image.addEventListener('load', () => {
      const scale = LOOK_PX / Math.max(asset.width, asset.height)
      const canvas = document.createElement('canvas')
      canvas.width = Math.max(1, Math.round(asset.width * scale))
      canvas.height = Math.max(1, Math.round(asset.height * scale))
      const context = canvas.getContext('2d')
      if (!context || !isCurrent) return
      context.drawImage(image, 0, 0, canvas.width, canvas.height)
      setAdvice(adviseLogo({ ...asset, pixels: context.getImageData(0, 0, canvas.width, canvas.height).data }))
    })
    image.src = thumbnailUrl(asset, 400)
    return () => {
      isCurrent = false
    }
  }, [asset])
  return advice
}
