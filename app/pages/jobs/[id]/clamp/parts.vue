<template>
  <main id="work" class="mx-auto w-full max-w-[120rem] flex-1 p-3">
    <h1 class="sr-only">Long blades, facets and hollows</h1>
    <PartsSheet />
  </main>
</template>
