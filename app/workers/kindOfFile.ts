import { fileKindOf, HEAD_BYTES, type FileKind } from '#core/exchange/files/fileKind'

/** What a chosen file is, by its content. */
export async function kindOfFile(file: Blob): Promise<FileKind> {
  const kindOf = async (part: Blob) => fileKindOf(new Uint8Array(await part.arrayBuffer()))
  const kind = await kindOf(file.slice(0, HEAD_BYTES))
  return kind === 'other-json' ? kindOf(file) : kind
}
