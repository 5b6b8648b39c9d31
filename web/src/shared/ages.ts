/** How long ago, as one says it. */
export function ago(ms: number): string {
  const minutes = Math.max(0, ms) / 60_000
  if (minutes < 1.5) return 'a minute ago'
  if (minutes < 55) return `${Math.round(minutes)} minutes ago`
  const hours = minutes / 60
  if (hours < 1.5) return 'an hour ago'
  if (hours < 47) return `${Math.round(hours)} hours ago`
  return `${Math.round(hours / 24)} days ago`
}
