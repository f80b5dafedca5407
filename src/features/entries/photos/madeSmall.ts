import { drawnOnly, MOST_PHOTO_BYTES } from '@/core/files/jpeg'

/** Longest sides and qualities that are tried, the best first; the last of them is small whatever is on it. */
const TRIED = [
  { sidePx: 1600, quality: 0.85 },
  { sidePx: 1600, quality: 0.7 },
  { sidePx: 1280, quality: 0.65 },
  { sidePx: 960, quality: 0.55 },
  { sidePx: 640, quality: 0.4 },
] as const

/**
 * A picture of at most 300 kB. Drawn again it stands upright, and loses what its camera wrote beside it: place, time and maker.
 * @throws where the browser cannot read it
 */
export async function madeSmall(picture: Blob): Promise<Blob> {
  const bitmap = await createImageBitmap(picture, { imageOrientation: 'from-image' })
  try {
    for (const { sidePx, quality } of TRIED) {
      const small = await drawn(bitmap, sidePx, quality)
      if (small.size <= MOST_PHOTO_BYTES) return small
    }
  } finally {
    bitmap.close()
  }
  throw new Error('A picture of 640 pixels weighs more than 300 kB')
}

async function drawn(bitmap: ImageBitmap, sidePx: number, quality: number): Promise<Blob> {
  const scale = Math.min(1, sidePx / Math.max(bitmap.width, bitmap.height))
  const canvas = new OffscreenCanvas(Math.max(1, Math.round(bitmap.width * scale)), Math.max(1, Math.round(bitmap.height * scale)))
  const context = canvas.getContext('2d')!
  // What is see-through would be black on a JPEG.
  context.fillStyle = 'white'
  context.fillRect(0, 0, canvas.width, canvas.height)
  context.drawImage(bitmap, 0, 0, canvas.width, canvas.height)
  const blob = await canvas.convertToBlob({ type: 'image/jpeg', quality })
  // Some browsers write Exif or a colour profile of their own.
  return new Blob([drawnOnly(new Uint8Array(await blob.arrayBuffer()))], { type: 'image/jpeg' })
}
