import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, it } from 'vitest'
import { dataFolder } from '../database/dataFolder'
import { CannotOpen, folderTrouble } from './openData'

it('an error of the file system says in words what to do, with what it is about; any other is as it was', () => {
  const file = join(mkdtempSync(join(tmpdir(), 'jaw-tilt-file-')), 'data')
  writeFileSync(file, 'no folder')
  const said = (open: () => unknown) => {
    try {
      return open()
    } catch (error) {
      return folderTrouble(error)
    }
  }
  const trouble = said(() => dataFolder({ JAW_TILT_DATA: file }))
  expect(trouble).toBeInstanceOf(CannotOpen)
  expect(String(trouble)).toContain(
    `${file} cannot be the data folder, for there is a file of that name: choose another`,
  )
  const readOnly = Object.assign(new Error('EROFS: read-only file system'), { code: 'EROFS' })
  expect(String(folderTrouble(readOnly))).toContain('The data folder is on a disk that cannot be written to')
  for (const other of [new Error('as it is'), new CannotOpen('as it is')]) expect(folderTrouble(other)).toBe(other)
})
