<template>
  <div class="stack">
    <h1>There is nothing at this address</h1>
    <p>
      It may have been typed wrong, or the batch was deleted. Go to
      <RouterLink :to="{ name: 'today' }">Today</RouterLink> or search the
      <RouterLink :to="{ name: 'log' }">log</RouterLink>.
    </p>
  </div>
</template>
