/** bytes over which a photo is made smaller before it waits and travels. */
const LARGE = 2_000_000
/** Points along the longer side, which is what the server keeps of it. */
const LONGEST = 2400
const QUALITY = 0.88

/** A photo as it is sent: what a camera makes is far larger than anybody looks at. */
export async function photo(file: File): Promise<Blob> {
  // Read at once: what a camera hands over may be gone when there is a network again.
  const whole = new Blob([await file.arrayBuffer()], { type: file.type })
  if (file.size <= LARGE) return whole
  const image = await createImageBitmap(whole).catch(() => null)
  if (!image) return whole
  const scale = Math.min(1, LONGEST / Math.max(image.width, image.height))
  const canvas = document.createElement('canvas')
  canvas.width = Math.max(1, Math.round(image.width * scale))
  canvas.height = Math.max(1, Math.round(image.height * scale))
  canvas.getContext('2d')?.drawImage(image, 0, 0, canvas.width, canvas.height)
  image.close()
  const smaller = await new Promise<Blob | null>(resolve => {
    canvas.toBlob(resolve, 'image/jpeg', QUALITY)
  })
  return smaller && smaller.size < whole.size ? smaller : whole
}
