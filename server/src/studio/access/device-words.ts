/** What kind of device a `User-Agent` says it is; its owner knows it by the day and the address. Empty where it does not say. */
export function sayDevice(userAgent: string): string {
  if (userAgent === '') return ''
  if (/iPad|Tablet|Android(?!.*Mobile)/.test(userAgent)) return 'tablet'
  if (/Mobi|iPhone|Android/.test(userAgent)) return 'phone'
  return /Mozilla\//.test(userAgent) ? 'computer' : 'program'
}
