<template>
  <main id="work" class="mx-auto w-full max-w-[120rem] flex-1 p-3">
    <h1 class="sr-only">An even angle from heel to tip</h1>
    <EvenSheet />
  </main>
</template>
