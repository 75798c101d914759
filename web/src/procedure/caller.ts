import { useVibrate } from '@vueuse/core'
import { watch, type Ref } from 'vue'
import { useClock } from '../wire/clock.ts'

let sound: AudioContext | null = null

/** Two rising notes. Browsers let a page sound only after a tap: the first tap anywhere unlocks it. */
export function ring(): boolean {
  sound ??= new AudioContext()
  void sound.resume()
  const at = sound.currentTime
  for (const [i, pitch] of [660, 880].entries()) {
    const [tone, level] = [sound.createOscillator(), sound.createGain()]
    tone.frequency.value = pitch
    level.gain.setValueAtTime(0, at + i * 0.22)
    level.gain.linearRampToValueAtTime(0.4, at + i * 0.22 + 0.02)
    level.gain.linearRampToValueAtTime(0, at + i * 0.22 + 0.2)
    tone.connect(level).connect(sound.destination)
    tone.start(at + i * 0.22)
    tone.stop(at + i * 0.22 + 0.21)
  }
  return sound.state === 'running'
}

/** Calls the person back, once for each wait that comes to its end while this is on the screen. */
export function useCaller(waits: Ref<readonly { readonly run: string; readonly ends: number }[]>): void {
  const { vibrate } = useVibrate({ pattern: [200, 100, 200] })
  const { now } = useClock()
  const called = new Set<string>()
  watch(
    () => waits.value.filter((w) => w.ends <= now()).map((w) => `${w.run} ${w.ends}`),
    (over) => {
      for (const name of over) {
        if (called.has(name)) continue
        called.add(name)
        ring()
        vibrate()
      }
    },
  )
}
