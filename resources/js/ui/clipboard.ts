/** Whether a text lies on the clipboard now; without a secure connection the browser offers the old way alone. */
export async function copy(text: string): Promise<boolean> {
  if ('clipboard' in navigator)
    return navigator.clipboard.writeText(text).then(
      () => true,
      () => false,
    )
  const field = document.createElement('textarea')
  field.value = text
  field.style.position = 'fixed'
  field.style.opacity = '0'
  document.body.append(field)
  field.select()
  const isDone = document.execCommand('copy')
  field.remove()
  return isDone
}
