<template>
  <main id="work" class="mx-auto w-full max-w-[120rem] flex-1 p-3">
    <h1 class="sr-only">What must the gauge read?</h1>
    <GaugeSheet />
  </main>
</template>
