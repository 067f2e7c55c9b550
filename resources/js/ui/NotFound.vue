<template>
  <main class="page"><h1>There is nothing here</h1>
    <p>The address leads nowhere. <router-link to="/schedule">Go to the schedule.</router-link></p></main>
</template>

<style scoped>
.page {
  padding: 24px;
}
</style>
