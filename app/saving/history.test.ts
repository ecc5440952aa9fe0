import { describe, expect, it } from 'vitest'
import {
  applied,
  emptyHistory,
  keepHistory,
  keptHistory,
  redo,
  stepBetween,
  undo,
  withStep,
  type History,
} from './history'
import { memoryStorage } from './memoryStorage'

interface Note {
  text: string
  size: number
}
const note = (text: string, size = 0): Note => ({ text, size })
const added = (history: History, before: Note, after: Note, goesOn = false) =>
  withStep(history, stepBetween(`${before.text} to ${after.text}`, before, after), goesOn)

describe('undo', () => {
  it('keeps differences: what another hand changed meanwhile stays', () => {
    const history = added(emptyHistory(), note('one'), note('two'))
    const { step } = undo(history)!
    expect(applied(note('two', 7), step.back)).toEqual(note('one', 7))
    expect(applied(note('one', 7), step.forth)).toEqual(note('two', 7))
    expect(applied({ size: 7 }, step.back)).toBeNull()
  })

  it('a step that goes on takes the place of the last, from the first content of both to the newest', () => {
    let history = added(emptyHistory(), note('a'), note('b'))
    history = added(history, note('a'), note('c'), true)
    history = added(history, note('c'), note('d'))
    const back = undo(history)!
    const twice = undo(back.history)!
    expect(applied(note('c'), twice.step.back)).toEqual(note('a'))
    expect(undo(twice.history)).toBeNull()
    expect(applied(note('a'), redo(twice.history)!.step.forth)).toEqual(note('c'))
  })

  it('a new step drops what was undone', () => {
    const back = undo(added(emptyHistory(), note('a'), note('b')))!
    expect(redo(added(back.history, note('a'), note('z')))).toBeNull()
  })

  it('outlives the page; in a full storage its newest steps do, and it says when none can', () => {
    let history = emptyHistory()
    for (let i = 0; i < 32; i++) history = added(history, note(`n${i}`), note(`n${i + 1}`))
    const roomy = memoryStorage()
    expect(keepHistory(roomy, 'h', history)).toBe(true)
    expect(keptHistory(roomy, 'h')).toEqual(history)
    const tight = memoryStorage(1500)
    expect(keepHistory(tight, 'h', history)).toBe(true)
    expect(keptHistory(tight, 'h').done.at(-1)).toEqual(history.done.at(-1))
    expect(keptHistory(tight, 'h').done.length).toBeLessThan(32)
    expect(keepHistory(memoryStorage(10), 'h', history)).toBe(false)
  })

  it('a history of before, or harmed, is begun anew', () => {
    const storage = memoryStorage()
    storage.setItem('old', JSON.stringify({ done: [{ label: 'x', before: {}, after: {} }], undone: [] }))
    storage.setItem('harmed', '{"done":')
    expect([keptHistory(storage, 'old'), keptHistory(storage, 'harmed')]).toEqual([emptyHistory(), emptyHistory()])
  })
})
