<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { api } from '../../api/client'
import type { Rules, School } from '../../api/types'
import { useAttempt } from '../../ui/attempt'
import { type Group } from './departures'
import HouseRules from './HouseRules.vue'
import RuleTabs from './RuleTabs.vue'
import WhyNote from '../../plan/why/WhyNote.vue'

const rules = ref<Rules | null>(null)
const schools = ref<School[]>([])
const groups = ref<Group[]>([])
const version = ref(0)
const { problem, said, attempt } = useAttempt()

async function load() {
  const answer = await api.get('rules')
  rules.value = answer.rules
  schools.value = answer.schools
  groups.value = answer.groups
  version.value = answer.version
}
onMounted(() => attempt(load, ''))
</script>

<template>
  <main class="rules">
    <header><h1>Rules</h1>
      <RuleTabs />
      <span v-if="said" role="status" class="quiet">{{ said }}</span></header>
    <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
    <div v-if="rules" class="pad"><WhyNote kind="rules" of="all" name="the rules are so" /><HouseRules
      :rules="rules"
      :schools="schools"
      :groups="groups"
      :version="version"
      @saved="attempt(load, 'House rules are saved.')" /></div>
  </main>
</template>

<style scoped>
.rules {
  height: 100%;
  overflow: auto;
  padding-bottom: 40px;
}
header {
  display: flex;
  gap: 16px;
  align-items: center;
  padding: 14px 18px;
  border-bottom: 1px solid var(--line);
}
.pad {
  padding: 10px 18px;
}
</style>
