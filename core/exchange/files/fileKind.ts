/** What a file from outside is: told by what stands in it, never by its name. */
export type FileKind =
  | 'backup'
  | 'job'
  | 'tools'
  | 'stones'
  | 'readings'
  | 'drawing'
  | 'points'
  | 'picture'
  | 'pdf'
  | 'other-json'
  | 'unknown'

/** So much of a file tells what it is, as a rule: JSON alone may name its format further on. */
export const HEAD_BYTES = 4096

const FORMATS: Readonly<Record<string, FileKind>> = {
  'jaw-tilt': 'backup',
  'jaw-tilt-job': 'job',
  'jaw-tilt-tools': 'tools',
}
const FORMAT = /"format"\s*:\s*"(jaw-tilt[^"]*)"/
/** How pictures begin: JPEG, PNG, GIF, WebP and other RIFF, and those in boxes (HEIC, AVIF). */
const PICTURES = [/^\xff\xd8\xff/, /^\x89PNG/, /^GIF8/, /^RIFF....WEBP/s, /^....ftyp/s]

/** What a file is, by its first bytes or by all of them. */
export function fileKindOf(head: Uint8Array): FileKind {
  const bytes = String.fromCharCode(...head.subarray(0, 16))
  if (PICTURES.some((begins) => begins.test(bytes))) return 'picture'
  if (bytes.startsWith('%PDF')) return 'pdf'
  const text = new TextDecoder()
    .decode(head)
    .replace(/^\uFEFF/, '')
    .trimStart()
  if (text.startsWith('{')) return FORMATS[FORMAT.exec(text)?.[1] ?? ''] ?? 'other-json'
  if (text.startsWith('[')) return 'other-json'
  if (text.includes('<svg') || /^(999\r?\n.*\r?\n\s*)*0\r?\n\s*SECTION/.test(text)) return 'drawing'
  const [first = ''] = text.split(/\r?\n/)
  if (/\bfaceOffsetNearMm\b/.test(first) || (/\bname\b/.test(first) && /\bkind\b/.test(first))) return 'stones'
  if (/\bfromHeelMm\b/.test(first)) return 'readings'
  return /^[-+.,\d\s;]+$/.test(first) && /\d/.test(first) ? 'points' : 'unknown'
}
