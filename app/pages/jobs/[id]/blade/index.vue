<template>
  <main id="work" class="mx-auto w-full max-w-[120rem] flex-1 p-4">
    <BladeChoice />
  </main>
</template>
