<template>
  <div class="grid items-start gap-3 lg:grid-cols-[minmax(0,1fr)_26rem]">
    <InkEntry />
    <div class="space-y-3">
      <InkFound />
      <InkLooks />
    </div>
  </div>
</template>
