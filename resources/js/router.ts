import { createRouter, createWebHistory } from 'vue-router'
import { address, base } from './api/page'
import { useSession } from './api/session'
import { landing } from './ui/places'

export const router = createRouter({
  history: createWebHistory(base),
  routes: [
    // Never shown: whoever comes here goes on to where their work is.
    { path: '/', component: () => import('./ui/NotFound.vue') },
    { path: '/sign-in', component: () => import('./session/SignIn.vue'), meta: { open: true } },
    { path: '/join/:token', component: () => import('./session/JoinPage.vue'), props: true, meta: { open: true } },
    { path: '/account', component: () => import('./session/AccountPage.vue'), meta: { ofNone: true } },
    { path: '/organisation', component: () => import('./session/OrganisationPage.vue'), meta: { ofNone: true } },
    { path: '/installations', component: () => import('./session/InstallationsPage.vue'), meta: { ofNone: true } },
    { path: '/api/docs', component: () => import('./session/ContractPage.vue'), meta: { ofNone: true } },
    { path: '/rules', component: () => import('./given/rules/RulesPage.vue') },
    { path: '/rules/building', component: () => import('./given/building/BuildingPage.vue') },
    { path: '/rules/building/walk', component: () => import('./given/building/WalkPage.vue') },
    { path: '/rules/equipment', component: () => import('./given/rules/EquipmentPage.vue') },
    { path: '/rules/plans', component: () => import('./given/plans/PlanList.vue') },
    { path: '/rules/plans/:id', component: () => import('./given/plans/PlanPage.vue'), props: true },
    { path: '/rules/catalogue', component: () => import('./given/catalogue/CataloguePage.vue') },
    { path: '/schedule', component: () => import('./plan/schedule/SchedulePage.vue') },
    { path: '/patterns', component: () => import('./plan/pattern/PatternPage.vue') },
    { path: '/runs/:id', component: () => import('./plan/run/RunPage.vue'), props: true },
    { path: '/runs/:id/assembly', component: () => import('./plan/assembly/AssemblyPage.vue'), props: true },
    { path: '/runs/:id/sheet/:side', component: () => import('./ends/sheet/SheetPage.vue'), props: true },
    { path: '/looms', component: () => import('./ways/looms/LoomsPage.vue') },
    { path: '/looms/:id', component: () => import('./ways/looms/LoomPage.vue'), props: true },
    { path: '/cutting', component: () => import('./work/cutting/CuttingPage.vue') },
    { path: '/parts', component: () => import('./work/parts/PartsPage.vue') },
    { path: '/parts/worth', component: () => import('./work/parts/WorthPage.vue') },
    { path: '/reach', component: () => import('./ends/reach/ReachPage.vue') },
    { path: '/crew', component: () => import('./work/crew/BoardPage.vue') },
    { path: '/crew/people', component: () => import('./work/crew/PeoplePage.vue') },
    { path: '/crew/workshop', component: () => import('./work/crew/WorkshopPage.vue') },
    { path: '/labels', component: () => import('./ends/labels/LabelsPage.vue') },
    address
      ? {
          path: '/e/:run/:side/:leg?',
          redirect: to => ({
            path: `/runs/${to.params.run as string}`,
            query: { ...to.query, end: to.params.side as string },
          }),
        }
      : {
          // Printed before a code named its installation.
          path: '/e/:run/:side/:leg?',
          component: () => import('./session/OldCode.vue'),
          props: true,
          meta: { ofNone: true },
        },
    { path: '/bench', component: () => import('./work/bench/BenchList.vue') },
    { path: '/bench/:ids', component: () => import('./work/bench/BenchPage.vue'), props: true },
    { path: '/test', component: () => import('./proof/testing/TestList.vue') },
    { path: '/test/instruments', component: () => import('./proof/testing/InstrumentsPage.vue') },
    { path: '/test/trainer', component: () => import('./proof/testing/TrainerPage.vue') },
    { path: '/test/:id', component: () => import('./proof/testing/TestPage.vue'), props: true },
    { path: '/site', component: () => import('./work/site/SitePage.vue') },
    { path: '/notices', component: () => import('./session/notices/NoticesPage.vue') },
    { path: '/progress', component: () => import('./later/progress/ProgressPage.vue') },
    { path: '/crew/log', component: () => import('./work/crew/LogPage.vue') },
    { path: '/handover', component: () => import('./later/handover/ReadyPage.vue') },
    { path: '/handover/pack', component: () => import('./later/handover/PackPage.vue') },
    { path: '/handover/service', component: () => import('./later/handover/ServicePage.vue') },
    { path: '/handover/releases', component: () => import('./later/handover/ReleasesPage.vue') },
    { path: '/handover/overtaken', component: () => import('./later/handover/OvertakenPage.vue') },
    { path: '/:rest(.*)*', component: () => import('./ui/NotFound.vue') },
  ],
})

router.beforeEach(async to => {
  const session = useSession()
  if (!session.known) await session.load().catch(() => undefined)
  if (!to.meta.open && !session.session.person) return { path: '/sign-in', query: { to: to.fullPath } }
  // An address without an installation leads back to where one was.
  if (!address && !to.meta.open && !to.meta.ofNone && session.session.open) {
    window.location.replace(`/i/${session.session.open.address}${to.fullPath}`)
    return false
  }
  if (to.path === '/') return landing(session.session.person?.roles ?? [])
  return true
})
