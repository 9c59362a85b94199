<script setup lang="ts">
import { BApp } from 'bootstrap-vue-next/components/BApp'
</script>

<template>
  <BApp>
    <RouterView />
  </BApp>
</template>
