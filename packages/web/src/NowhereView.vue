<template>
  <main class="nowhere">
    <h1 class="serif">There is nothing at this address.</h1>
    <p>
      Perhaps it was cut short when it was copied.
      <RouterLink class="link" to="/">All episodes</RouterLink>
    </p>
  </main>
</template>

<style scoped>
.nowhere {
  max-width: 560px;
  margin: 0 auto;
  padding: 96px 24px;
}
h1 {
  font-size: 28px;
  margin: 0 0 12px;
}
</style>
