import { defineStore } from 'pinia'
import { shallowRef } from 'vue'
import { copiesState, type CopiesState } from '#core/exchange/api/copies'
import { ask } from '~/saving/api'

/** The second folder to which snapshots are copied, and how it goes with it. */
export const useCopies = defineStore('copies', () => {
  const state = shallowRef<CopiesState | null>(null)
  async function load() {
    const answer = await ask(copiesState, '/api/copies')
    if (answer.ok) state.value = answer.value
  }
  /** Names the folder, or none. */
  async function name(folder: string | null) {
    const answer = await ask(copiesState, '/api/copies', 'PUT', { folder })
    if (answer.ok) state.value = answer.value
    return answer
  }
  return { state, load, name }
})
