import { expect, type Browser, type Page } from '@playwright/test'

/** Made once in each worker: a picture of that size takes seconds to draw. */
let made: Promise<Buffer> | undefined

/** A JPEG of noise, as large as a phone's, with an Exif segment that names a camera. */
export function phonePicture(page: Page): Promise<Buffer> {
  made ??= drawn(page.context().browser()!)
  return made
}

/** On a page of its own: a test that ends amid it takes nothing from the next. */
async function drawn(browser: Browser): Promise<Buffer> {
  const page = await browser.newPage()
  const address = await page.evaluate(async () => {
    const canvas = new OffscreenCanvas(2400, 1800)
    const context = canvas.getContext('2d')!
    const noise = context.createImageData(2400, 1800)
    for (let at = 0; at < noise.data.length; at++) noise.data[at] = at % 4 === 3 ? 255 : (at * 2654435761) % 251
    context.putImageData(noise, 0, 0)
    const blob = await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.6 })
    const reader = new FileReader()
    await new Promise((resolve) => {
      reader.addEventListener('load', resolve)
      reader.readAsDataURL(blob)
    })
    return String(reader.result)
  })
  await page.close()
  const plain = Buffer.from(address.slice(address.indexOf(',') + 1), 'base64')
  const exif = Buffer.from([0xff, 0xe1, 0x00, 0x10, ...Buffer.from('Exif\0\0CAMERA77')])
  return Buffer.concat([plain.subarray(0, 2), exif, plain.subarray(2)])
}

export async function takePicture(page: Page): Promise<void> {
  const buffer = await phonePicture(page)
  expect(buffer.length).toBeGreaterThan(1_000_000)
  const chooser = page.waitForEvent('filechooser')
  // The browser has heard that it is waited for once it has answered the next question: before that it would ask a person.
  await page.evaluate(() => undefined)
  await page.keyboard.press('p')
  await (await chooser).setFiles({ name: 'step.jpg', mimeType: 'image/jpeg', buffer })
}
