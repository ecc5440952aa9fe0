<script setup lang="ts">
import { renderSVG } from 'uqr'
import { z } from 'zod'
import { deviceOffer, devicesHere, type DeviceOffer, type DevicesHere } from '#core/exchange/api/devices'
import { useWords } from '~/words/useWords'
import { ask } from '~/saving/api'
import { momentText } from '~/words/momentText'

/** Phones and tablets at the bench: one is let in by a code or a picture on this screen, and can be shut out. */
const words = useWords()
const here = ref<DevicesHere | null>(null)
const offer = ref<DeviceOffer | null>(null)
const failure = ref('')
const done = z.object({ ok: z.boolean() })
async function load() {
  const answer = await ask(devicesHere, '/api/devices')
  if (!answer.ok) return
  // What was on offer is used up once one more is there.
  if (offer.value && here.value && answer.value.devices.length > here.value.devices.length) offer.value = null
  here.value = answer.value
}
onMounted(load)
async function letIn() {
  failure.value = ''
  const answer = await ask(deviceOffer, '/api/devices/offer', 'POST', {})
  if (answer.ok) offer.value = answer.value
  else failure.value = words.problem(answer.problem)
}
async function withdraw() {
  offer.value = null
  await ask(done, '/api/devices/offer', 'DELETE')
}
async function shutOut(id: string) {
  const answer = await ask(done, `/api/devices/${id}`, 'DELETE')
  failure.value = answer.ok ? '' : words.problem(answer.problem)
  await load()
}
/** While a code is shown, whether its device has come is looked for. */
const LOOKED_EVERY_MS = 2000
const looking = setInterval(() => {
  if (!offer.value) return
  if (Date.parse(offer.value.until) < Date.now()) offer.value = null
  void load()
}, LOOKED_EVERY_MS)
onBeforeUnmount(() => clearInterval(looking))
const picture = computed(() => {
  const [address] = offer.value?.addresses ?? []
  return address ? `data:image/svg+xml;utf8,${encodeURIComponent(renderSVG(address, { border: 2 }))}` : null
})
const spaced = (code: string) => `${code.slice(0, 4)} ${code.slice(4)}`
const without = (address: string) => address.split('#')[0]
</script>

<template>
  <fieldset v-if="here">
    <legend class="mb-1 font-medium">Other devices</legend>
    <p v-if="here.reach === 'this-machine'" class="text-sm text-muted">
      Only this machine reaches the data. Started with HOST=0.0.0.0, phones and tablets at the bench can be allowed
      here.
    </p>
    <template v-else>
      <p v-if="!here.bench" class="text-sm text-muted">Devices are allowed and removed on the bench’s own screen.</p>
      <div v-else-if="offer" class="space-y-2" data-testid="offer">
        <img
          v-if="picture"
          :src="picture"
          alt="The address with its key, as a picture"
          class="size-52 rounded-sm bg-white"
        />
        <p>
          Photograph this with the device, or open <b>{{ without(offer.addresses[0] ?? '') }}</b> there and type:
        </p>
        <p>
          <b class="figure text-2xl">{{ spaced(offer.code) }}</b>
        </p>
        <p class="text-sm text-muted">For one device, until {{ momentText(offer.until) }}.</p>
        <UButton color="neutral" variant="ghost" label="Cancel" @click="withdraw" />
      </div>
      <UButton v-else color="neutral" variant="outline" size="lg" label="Allow a device" @click="letIn" />
      <ul v-if="here.devices.length > 0" class="mt-2" data-testid="devices">
        <li
          v-for="{ id, name, lastUsedAt } in here.devices"
          :key="id"
          class="flex items-center gap-3 border-t border-default py-1"
        >
          <span class="min-w-0 flex-1"
            ><span class="block wrap-anywhere">{{ name }}</span
            ><span class="block text-sm text-muted">last here {{ momentText(lastUsedAt) }}</span></span
          >
          <UButton
            v-if="here.bench"
            color="neutral"
            variant="outline"
            label="Remove"
            :aria-label="`Remove ${name}`"
            @click="shutOut(id)"
          />
        </li>
      </ul>
    </template>
    <p v-if="failure" role="alert" class="mt-1 text-error">{{ failure }}</p>
  </fieldset>
</template>
