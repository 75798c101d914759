import { ref } from 'vue'
import { createRouter, createWebHistory, type RouteRecordRaw } from 'vue-router'
import { fetchWords } from './words/index.ts'

/** The places of the dock. A place's name is its key in the words. */
export const places = ['shift', 'run', 'bench', 'dish', 'log', 'house'] as const

/** A place that needs more words than the first one has. */
const withWords =
  <View>(view: () => Promise<View>) =>
  () =>
    Promise.all([view(), fetchWords()]).then(([it]) => it)

const gallery: RouteRecordRaw[] = import.meta.env.DEV
  ? [
      {
        path: '/gallery',
        component: withWords(() => import('./gallery/GalleryPage.vue')),
        meta: { open: true },
      },
    ]
  : []

const views = {
  shift: () => import('./plan/ShiftPlace.vue'),
  ahead: withWords(() => import('./duty/AheadPlace.vue')),
  training: withWords(() => import('./training/TrainingPlace.vue')),
  check: withWords(() => import('./training/CheckPlace.vue')),
  huddle: withWords(() => import('./training/HuddlePlace.vue')),
  practice: withWords(() => import('./practice/PracticePlace.vue')),
  // What follows it comes with it: when it is needed, the network may be gone.
  note: withWords(() => import('./duty/NotePlace.vue')),
  rounds: withWords(() => import('./round/RoundsPlace.vue')),
  walk: withWords(() => import('./round/WalkPlace.vue')),
  tasks: withWords(() => import('./task/TasksPlace.vue')),
  cold: withWords(() => import('./cold/ColdPlace.vue')),
  newIncident: withWords(() =>
    Promise.all([import('./incident/NewIncident.vue'), import('./incident/IncidentPlace.vue')]).then(
      ([it]) => it,
    ),
  ),
  incident: withWords(() => import('./incident/IncidentPlace.vue')),
  roster: withWords(() => import('./plan/RosterPlace.vue')),
  lists: withWords(() => import('./plan/ShiftLists.vue')),
  chooser: withWords(() => import('./procedure/RunChooser.vue')),
  begin: withWords(() => import('./procedure/BeginPlace.vue')),
  run: withWords(() => import('./procedure/RunPlace.vue')),
  machine: withWords(() => import('./machine/MachinePlace.vue')),
  tags: withWords(() => import('./house/TagsPlace.vue')),
  label: withWords(() => import('./rerun/LabelPlace.vue')),
  bench: withWords(() => import('./solution/BenchPlace.vue')),
  dish: withWords(() => import('./warewash/DishPlace.vue')),
  chart: withWords(() => import('./procedure/WallChart.vue')),
  editor: withWords(() => import('./editor/EditorPlace.vue')),
  log: withWords(() => import('./sheet/LogPlace.vue')),
  month: withWords(() => import('./sheet/MonthPlace.vue')),
  entries: withWords(() => import('./sheet/EntriesPlace.vue')),
  pack: withWords(() => import('./sheet/PackPlace.vue')),
  questions: withWords(() => import('./sheet/QuestionsPlace.vue')),
  newCase: withWords(() => import('./case/NewCasePlace.vue')),
  case: withWords(() => import('./case/CasePlace.vue')),
  trends: withWords(() => import('./trend/TrendsPlace.vue')),
  unsent: withWords(() => import('./record/UnsentPlace.vue')),
  chemical: withWords(() => import('./house/ChemicalCard.vue')),
  house: withWords(() => import('./house/HousePlace.vue')),
}

/** Fetches every place while the tablet is idle, so that they open when the network is away. */
export function fetchPlaces(): void {
  for (const load of Object.values(views)) void load().catch(() => {})
}

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', redirect: '/shift' },
    { path: '/sign-in', component: () => import('./people/SignIn.vue'), meta: { open: true } },
    { path: '/trust', component: withWords(() => import('./house/TrustPlace.vue')), meta: { open: true } },
    {
      path: '/inspect',
      component: withWords(() => import('./sheet/InspectPlace.vue')),
      meta: { open: true },
    },
    {
      path: '/first-start',
      component: withWords(() => import('./house/FirstStart.vue')),
      meta: { open: true },
    },
    { path: '/shift', component: views.shift, meta: { place: 'shift' } },
    { path: '/shift/ahead', component: views.ahead, meta: { place: 'shift' } },
    { path: '/shift/roster', component: views.roster, meta: { place: 'shift' } },
    { path: '/shift/huddle', component: views.huddle, meta: { place: 'shift' } },
    { path: '/shift/note', component: views.note, meta: { place: 'shift' } },
    {
      path: '/shift/cold/:view(fridges|delivery|opened)?',
      component: views.cold,
      props: true,
      meta: { place: 'shift' },
    },
    { path: '/shift/rounds', component: views.rounds, meta: { place: 'shift' } },
    { path: '/shift/rounds/:round/:walk', component: views.walk, props: true, meta: { place: 'shift' } },
    { path: '/shift/tasks/:task?', component: views.tasks, props: true, meta: { place: 'shift' } },
    { path: '/shift/wrong', component: views.newIncident, meta: { place: 'shift' } },
    { path: '/shift/wrong/:incident', component: views.incident, props: true, meta: { place: 'shift' } },
    { path: '/shift/training', component: views.training, meta: { place: 'shift' } },
    {
      path: '/shift/training/check/:procedure?',
      component: views.check,
      props: true,
      meta: { place: 'shift' },
    },
    {
      path: '/shift/training/practice/:procedure',
      component: views.practice,
      props: true,
      meta: { place: 'shift', dock: false },
    },
    {
      path: '/house/card/:person',
      component: views.training,
      props: true,
      meta: { place: 'house' },
    },
    { path: '/shift/lists', component: views.lists, meta: { place: 'shift' } },
    { path: '/shift/label/:rerun', component: views.label, props: true, meta: { place: 'shift' } },
    { path: '/run', component: views.chooser, meta: { place: 'run' } },
    {
      path: '/run/begin/:station/:procedure',
      component: views.begin,
      props: true,
      meta: { place: 'run' },
    },
    {
      path: '/run/at/:station',
      component: views.machine,
      props: true,
      meta: { place: 'run' },
    },
    {
      path: '/run/:run',
      component: views.run,
      props: true,
      meta: { place: 'run', dock: false },
    },
    { path: '/chart/:procedure', component: views.chart, props: true, meta: { place: 'house' } },
    {
      path: '/bench/:act(mix|correct|check|baths)?',
      component: views.bench,
      props: true,
      meta: { place: 'bench' },
    },
    {
      path: '/dish/:view(machine|ware|months|sink|files)?/:station?',
      component: views.dish,
      props: true,
      meta: { place: 'dish' },
    },
    { path: '/log', component: views.log, meta: { place: 'log' } },
    { path: '/log/month', component: views.month, meta: { place: 'log' } },
    { path: '/log/entries', component: views.entries, meta: { place: 'log' } },
    { path: '/log/pack', component: views.pack, meta: { place: 'log' } },
    { path: '/log/questions', component: views.questions, meta: { place: 'log' } },
    { path: '/log/case/new', component: views.newCase, meta: { place: 'log' } },
    { path: '/log/case/:case', component: views.case, meta: { place: 'log' } },
    { path: '/log/trends', component: views.trends, meta: { place: 'log' } },
    { path: '/log/unsent', component: views.unsent, meta: { place: 'log' } },
    {
      path: '/house/procedure/:procedure',
      component: views.editor,
      props: true,
      meta: { place: 'house' },
    },
    {
      path: '/house/chemical/:product',
      component: views.chemical,
      props: true,
      meta: { place: 'house' },
    },
    { path: '/house/tags', component: views.tags, meta: { place: 'house' } },
    {
      path: '/house/:part?',
      component: views.house,
      props: true,
      meta: { place: 'house' },
    },
    ...gallery,
    { path: '/:anything(.*)*', redirect: '/shift' },
  ],
})

/** A place could not be fetched, as happens on patchy Wi-Fi: it is told, and the page comes anew once the server answers. */
export const unfetched = ref(false)
const askAgainMs = 2000

router.onError((_error, to) => {
  unfetched.value = true
  const again = () =>
    fetch('/api/health').then(
      (answer) => (answer.ok ? window.location.assign(to.fullPath) : setTimeout(again, askAgainMs)),
      () => setTimeout(again, askAgainMs),
    )
  setTimeout(again, askAgainMs)
})
