/**
 * The camera where there is one, else a file; nothing where somebody thought better of it. The input stands in the page until it is
 * answered: one that nothing holds may be collected while the picture is being taken, and its answer with it.
 */
export function askForPicture(take: (file: File) => void): void {
  const input = document.createElement('input')
  input.type = 'file'
  input.accept = 'image/*'
  input.capture = 'environment'
  input.hidden = true
  input.addEventListener('cancel', () => input.remove())
  input.addEventListener('change', () => {
    input.remove()
    const [file] = input.files ?? []
    if (file) take(file)
  })
  document.body.append(input)
  input.click()
}
