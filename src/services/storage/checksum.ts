/** FNV-1a over UTF-16 code units: finds torn and altered text, is no defence against an adversary. */
export function checksumOf(text: string): number {
  let hash = 0x811c9dc5
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193)
  return hash >>> 0
}
