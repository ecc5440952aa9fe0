<template>
  <main id="work" class="mx-auto w-full max-w-[120rem] flex-1 p-3">
    <h1 class="sr-only">The clamp card</h1>
    <CardSheet />
  </main>
</template>
