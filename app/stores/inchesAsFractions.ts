import { ref } from 'vue'

/** Whether inches are shown as a rule has them, where they are such: a preference, which its store keeps here. */
export const inchesAsFractions = ref(false)
