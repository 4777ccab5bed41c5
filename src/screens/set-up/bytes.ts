/** `1.4 MB`-like sizes, in thousands as disks are sold. */
export function bytesInWords(bytes: number): string {
  const units = ['bytes', 'kB', 'MB', 'GB', 'TB']
  let [n, unit] = [bytes, 0]
  while (n >= 999.5 && unit < units.length - 1) [n, unit] = [n / 1000, unit + 1]
  return `${unit === 0 || n >= 99.5 ? Math.round(n) : n.toFixed(1)} ${units[unit]}`
}
