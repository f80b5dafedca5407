import { expect, type Page } from '@playwright/test'

/** A JPEG of noise, as large as a phone's, with an Exif segment that names a camera. */
export async function phonePicture(page: Page): Promise<Buffer> {
  const plain = await page.evaluate(async () => {
    const canvas = new OffscreenCanvas(2400, 1800)
    const context = canvas.getContext('2d')!
    const noise = context.createImageData(2400, 1800)
    for (let at = 0; at < noise.data.length; at++) noise.data[at] = at % 4 === 3 ? 255 : (at * 2654435761) % 251
    context.putImageData(noise, 0, 0)
    const blob = await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.95 })
    return [...new Uint8Array(await blob.arrayBuffer())]
  })
  const exif = [0xff, 0xe1, 0x00, 0x10, ...Buffer.from('Exif\0\0CAMERA77')]
  return Buffer.from([...plain.slice(0, 2), ...exif, ...plain.slice(2)])
}

export async function takePicture(page: Page): Promise<void> {
  const buffer = await phonePicture(page)
  expect(buffer.length).toBeGreaterThan(1_000_000)
  const chooser = page.waitForEvent('filechooser')
  await page.keyboard.press('p')
  await (await chooser).setFiles({ name: 'step.jpg', mimeType: 'image/jpeg', buffer })
}
