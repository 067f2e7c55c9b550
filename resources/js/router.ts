import { createRouter, createWebHistory } from 'vue-router'
import { useSession } from './api/session'

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', redirect: '/schedule' },
    { path: '/sign-in', component: () => import('./session/SignIn.vue'), meta: { open: true } },
    { path: '/rules', component: () => import('./rules/RulesPage.vue') },
    { path: '/rules/building', component: () => import('./building/BuildingPage.vue') },
    { path: '/rules/equipment', component: () => import('./rules/EquipmentPage.vue') },
    { path: '/rules/plans', component: () => import('./plans/PlanList.vue') },
    { path: '/rules/plans/:id', component: () => import('./plans/PlanPage.vue'), props: true },
    { path: '/rules/catalogue', component: () => import('./catalogue/CataloguePage.vue') },
    { path: '/schedule', component: () => import('./schedule/SchedulePage.vue') },
    { path: '/runs/:id', component: () => import('./run/RunPage.vue'), props: true },
    { path: '/runs/:id/sheet/:side', component: () => import('./sheet/SheetPage.vue'), props: true },
    { path: '/looms', component: () => import('./looms/LoomsPage.vue') },
    { path: '/looms/:id', component: () => import('./looms/LoomPage.vue'), props: true },
    { path: '/cutting', component: () => import('./cutting/CuttingPage.vue') },
    { path: '/parts', component: () => import('./parts/PartsPage.vue') },
    { path: '/parts/worth', component: () => import('./parts/WorthPage.vue') },
    { path: '/reach', component: () => import('./reach/ReachPage.vue') },
    { path: '/crew', component: () => import('./crew/BoardPage.vue') },
    { path: '/crew/people', component: () => import('./crew/PeoplePage.vue') },
    { path: '/crew/workshop', component: () => import('./crew/WorkshopPage.vue') },
    { path: '/labels', component: () => import('./labels/LabelsPage.vue') },
    { path: '/e/:run/:side/:leg?', redirect: to => ({ path: `/runs/${to.params.run as string}`, query: { end: to.params.side as string } }) },
    { path: '/bench', component: () => import('./bench/BenchList.vue') },
    { path: '/bench/:ids', component: () => import('./bench/BenchPage.vue'), props: true },
    { path: '/test', component: () => import('./test/TestList.vue') },
    { path: '/test/instruments', component: () => import('./test/InstrumentsPage.vue') },
    { path: '/test/trainer', component: () => import('./test/TrainerPage.vue') },
    { path: '/test/:id', component: () => import('./test/TestPage.vue'), props: true },
    { path: '/site', component: () => import('./site/SitePage.vue') },
    { path: '/crew/log', component: () => import('./crew/LogPage.vue') },
    { path: '/handover', component: () => import('./handover/ReadyPage.vue') },
    { path: '/handover/pack', component: () => import('./handover/PackPage.vue') },
    { path: '/handover/service', component: () => import('./handover/ServicePage.vue') },
    { path: '/handover/releases', component: () => import('./handover/ReleasesPage.vue') },
    { path: '/handover/overtaken', component: () => import('./handover/OvertakenPage.vue') },
    { path: '/:rest(.*)*', component: () => import('./ui/NotFound.vue') },
  ],
})

router.beforeEach(async to => {
  const session = useSession()
  if (!session.known) await session.load().catch(() => undefined)
  if (!to.meta.open && !session.session.person) return { path: '/sign-in', query: { to: to.fullPath } }
  return true
})
