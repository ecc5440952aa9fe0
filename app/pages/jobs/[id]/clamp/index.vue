<template>
  <main id="work" class="mx-auto grid min-h-0 w-full max-w-[120rem] flex-1 gap-3 p-3 lg:h-[calc(100dvh-16.6rem)] lg:min-h-[32rem] lg:flex-none lg:grid-cols-[minmax(0,1fr)_22rem] lg:grid-rows-[minmax(0,1fr)_auto] 2xl:grid-cols-[minmax(0,1fr)_26rem]">
    <h1 class="sr-only">Clamp: how the blade is held, and what is dialled</h1>
    <BenchDrawing />
    <DialPanel class="lg:row-span-2" />
    <div>
      <MeasureStrip />
      <div class="mt-1.5 flex items-center justify-between gap-3">
        <p class="text-sm text-muted">Gloves on while clamping and wiping; hands behind the edge, and no stroke past the tip.</p>
        <CentringEntry />
      </div>
    </div>
  </main>
</template>
