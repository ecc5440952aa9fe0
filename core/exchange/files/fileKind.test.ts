import { describe, expect, it } from 'vitest'
import { fileKindOf, HEAD_BYTES, type FileKind } from './fileKind'

const kindOf = (text: string) => fileKindOf(new TextEncoder().encode(text))

describe('what a file is', () => {
  it.each<[FileKind, string]>([
    ['backup', '{ "format": "jaw-tilt", "version": 2 }'],
    ['job', '\uFEFF{\n  "format" : "jaw-tilt-job" }'],
    ['tools', '{"format":"jaw-tilt-tools","rigs":[]}'],
    ['other-json', '{"format":"another","rigs":[]}'],
    ['other-json', '[{"format":"jaw-tilt"}]'],
    ['stones', 'name;kind;faceOffsetNearMm\nA;film;6'],
    ['stones', 'name,kind,lenght\nA,film,6'],
    ['backup', `{"things":{"note":"\\"format\\":\\"jaw-tilt-job\\""},${' '.repeat(HEAD_BYTES)}"format":"jaw-tilt"}`],
    ['readings', 'at,what,side,fromHeelMm\n'],
    ['drawing', '<?xml version="1.0"?>\n<!-- drawn -->\n<svg xmlns=""/>'],
    ['drawing', '999\nwritten by hand\n0\nSECTION\n2\nENTITIES'],
    ['points', '0,0\n1.5,-2'],
    ['pdf', '%PDF-1.7'],
    ['unknown', 'a letter to a customer'],
    ['unknown', ''],
  ])('is told by its content: %s', (kind, text) => {
    expect(kindOf(text)).toBe(kind)
  })

  it('pictures are told by their first bytes', () => {
    const begins = (...bytes: number[]) => fileKindOf(Uint8Array.from(bytes))
    expect(begins(0xff, 0xd8, 0xff, 0xe0)).toBe('picture')
    expect(begins(0x89, 0x50, 0x4e, 0x47, 0x0d)).toBe('picture')
    expect(begins(0, 0, 0, 24, 0x66, 0x74, 0x79, 0x70, 0x68)).toBe('picture')
    expect(begins(0x52, 0x49, 0x46, 0x46, 10, 10, 10, 10, 0x57, 0x45, 0x42, 0x50)).toBe('picture')
  })
})
