/** `11:40`, `1:02:05`. */
export function clockWords(ms: number): string {
  const seconds = Math.max(0, Math.round(ms / 1000))
  const two = (value: number) => String(value).padStart(2, '0')
  const [hours, minutes] = [Math.floor(seconds / 3600), Math.floor(seconds / 60) % 60]
  return hours > 0 ? `${hours}:${two(minutes)}:${two(seconds % 60)}` : `${minutes}:${two(seconds % 60)}`
}
