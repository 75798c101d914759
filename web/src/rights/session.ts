import type { FrontDoor, SessionView } from '@tadka/contract/people'
import { may, type Permission } from '@tadka/core/rights'
import { StorageSerializers, useStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref, watch } from 'vue'
import { actAs, ask } from '../wire/api.ts'
import { endsSoon } from '../wire/soon.ts'
import { learnServerTime } from '../wire/clock.ts'
import { deviceId } from '../wire/device.ts'

/** Who is signed in on this tablet, and who of them acts. */
export const useSession = defineStore('session', () => {
  /** Kept too: names are shown when there is no network. */
  const door = useStorage<FrontDoor | null>('tadka.door', null, undefined, {
    serializer: StorageSerializers.object,
  })
  /** Everyone of the site, by name. */
  const everyone = computed(() => door.value?.people ?? [])
  const site = ref<string | null>(null)
  /** Kept, so that people signed in may go on while the network is away. */
  const people = useStorage<SessionView['people']>('tadka.people', [])
  const actingId = useStorage('tadka.acting', '')
  const keptSite = useStorage('tadka.site', '')
  const known = ref(false)

  const acting = computed(
    () => people.value.find((p) => p.id === actingId.value) ?? people.value.at(-1) ?? null,
  )
  watch(acting, (p) => actAs(p?.id ?? ''), { immediate: true })

  function take(view: SessionView): void {
    learnServerTime(view.serverTime)
    site.value = view.site
    people.value = view.people
    if (view.site) keptSite.value = view.site
    known.value = true
  }

  /** Who is signed in, from the server; from what this tablet knew where the server does not answer. */
  async function load(): Promise<void> {
    const asked = ask<SessionView>('GET', '/api/session').then(take)
    if (people.value.length === 0) return asked
    if (!(await endsSoon(asked).catch(() => false)) && !known.value) {
      // It may still come, and takes the place of what was kept.
      asked.catch(() => {})
      site.value = keptSite.value || null
      known.value = true
    }
  }

  let opening: Promise<void> | null = null
  /** Asks who is at the door; however many ask meanwhile, it is asked once. */
  const openDoor = (): Promise<void> =>
    (opening ??= ask<FrontDoor>('GET', '/api/front-door')
      .then((asked) => void (door.value = asked))
      .finally(() => (opening = null)))

  /** @param newPin instead of one that somebody else chose. */
  async function signInByPin(at: string, person: string, pin: string, newPin?: string): Promise<void> {
    const body = { site: at, person, pin, device: deviceId(), ...(newPin ? { newPin } : {}) }
    take(await ask<SessionView>('POST', '/api/session/pin', body))
    actingId.value = person
  }

  /** Founds the only site; whoever does is signed in there. */
  async function found(founding: object): Promise<void> {
    take(await ask<SessionView>('POST', '/api/found', founding))
    actingId.value = people.value[0]?.id ?? ''
    await openDoor()
  }

  /** Opens an inspector's link. */
  async function inspect(token: string): Promise<void> {
    take(await ask<SessionView>('POST', '/api/inspect', { token, device: deviceId() }))
    actingId.value = people.value[0]?.id ?? ''
  }

  async function signInByPassword(login: string, password: string): Promise<void> {
    const before = new Set(people.value.map((p) => p.id))
    take(
      await ask<SessionView>('POST', '/api/session/password', {
        login,
        password,
        device: deviceId(),
      }),
    )
    actingId.value = people.value.find((p) => !before.has(p.id))?.id ?? people.value.at(-1)?.id ?? ''
  }

  async function signOut(person: string): Promise<void> {
    take(await ask<SessionView>('DELETE', `/api/session/people/${person}`))
  }

  /** Makes this browser a tablet of the site whose code it gives. */
  async function enrol(code: string, name: string): Promise<void> {
    await ask('POST', '/api/tablets/enrol', { code, device: deviceId(), name })
    await openDoor()
  }

  /** By which sign-in somebody works here. */
  const passOf = (person: string | undefined) => people.value.find((p) => p.id === person)?.pass ?? null

  const mayDo = (permission: Permission) => acting.value !== null && may(acting.value.role, permission)

  return {
    door,
    everyone,
    site,
    people,
    actingId,
    acting,
    known,
    load,
    openDoor,
    found,
    enrol,
    signInByPin,
    inspect,
    signInByPassword,
    signOut,
    mayDo,
    passOf,
  }
})
