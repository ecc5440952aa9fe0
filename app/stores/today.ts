import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import { today as todaySchema, type Today } from '#core/exchange/api/today'
import { ask } from '~/saving/api'

/** What is due and which edges are dull, as the server last told. */
export const useToday = defineStore('today', () => {
  const told = shallowRef<Today | null>(null)
  /** Whether it was asked for, whatever came of it: what depends on it can be drawn. */
  const asked = ref(false)
  async function load() {
    const answer = await ask(todaySchema, '/api/today')
    if (answer.ok) told.value = answer.value
    asked.value = true
  }
  return { told, asked, load }
})
