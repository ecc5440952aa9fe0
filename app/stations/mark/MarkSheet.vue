<template>
  <div class="panes lg:grid-cols-[minmax(0,1fr)_26rem]">
    <InkEntry />
    <div class="space-y-3">
      <InkFound />
      <InkLooks />
    </div>
  </div>
</template>
