import { describe, expect, it } from 'vitest'
import { isDatabaseAway, isDiskFull } from './databaseErrors'
import { errorCode, errorNumber } from './errors'

/** As PGlite's file system throws it: no Error. */
class ErrnoError {
  readonly name = 'ErrnoError'
  constructor(readonly errno: number) {}
}

describe('an error', () => {
  it('has its code and its number, whether it is an Error or not', () => {
    expect(errorNumber(new ErrnoError(51))).toBe(51)
    expect([errorNumber(new Error('full')), errorNumber(null), errorNumber('51')]).toEqual([null, null, null])
    expect(errorCode(Object.assign(new Error('gone'), { code: 'ENOENT' }))).toBe('ENOENT')
    expect([errorCode({ code: 'EACCES' }), errorCode({ code: 7 }), errorCode(undefined)]).toEqual(['EACCES', '', ''])
  })

  it('is of a full disk, or of a database that is away, where it or its cause says so', () => {
    const caused = (cause: unknown) => new Error('Failed query', { cause })
    expect(isDiskFull(caused(caused({ code: '53100' })))).toBe(true)
    expect(isDiskFull({ message: 'could not extend file: No space left on device' })).toBe(true)
    expect(isDiskFull(caused({ code: '23505', message: 'duplicate key' }))).toBe(false)
    expect(isDatabaseAway(caused(Object.assign(new Error('connect'), { code: 'ECONNREFUSED' })))).toBe(true)
    expect([isDatabaseAway(new Error('Connection terminated')), isDatabaseAway(null)]).toEqual([true, false])
  })
})
