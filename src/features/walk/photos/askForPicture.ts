/** The camera where there is one, else a file; nothing where somebody thought better of it. */
export function askForPicture(take: (file: File) => void): void {
  const input = document.createElement('input')
  input.type = 'file'
  input.accept = 'image/*'
  input.capture = 'environment'
  input.addEventListener('change', () => {
    const [file] = input.files ?? []
    if (file) take(file)
  })
  input.click()
}
