import { drag, type D3DragEvent } from 'd3-drag'
import { select } from 'd3-selection'
import type { ObjectDirective } from 'vue'
import type { Bar } from './lanes.ts'

export interface Dragged<B extends Bar> {
  readonly bar: B
  /** How far it was taken, px. */
  readonly dx: number
  readonly dy: number
}

/** Movement that is still a tap, px. */
const tap = 6

/** Lets bars be taken with mouse or finger. `moved` hears each movement, `dropped` where it was let go, `tapped` a mere touch. */
export function draggable<B extends Bar>(heard: {
  moved: (dragged: Dragged<B>) => void
  dropped: (dragged: Dragged<B>) => void
  tapped: (bar: B) => void
}): ObjectDirective<SVGGElement, B> {
  let begun = { x: 0, y: 0 }
  const at = (event: D3DragEvent<SVGGElement, B, unknown>, bar: B): Dragged<B> => ({
    bar,
    dx: event.x - begun.x,
    dy: event.y - begun.y,
  })
  const behaviour = drag<SVGGElement, B>()
    .container(function () {
      return this.ownerSVGElement ?? this
    })
    .subject((event: { x: number; y: number }) => ({ x: event.x, y: event.y }))
    .filter((event: PointerEvent, bar) => !event.button && bar.state === 'planned')
    .on('start', (event: D3DragEvent<SVGGElement, B, unknown>) => {
      begun = { x: event.x, y: event.y }
    })
    .on('drag', (event: D3DragEvent<SVGGElement, B, unknown>, bar) => heard.moved(at(event, bar)))
    .on('end', (event: D3DragEvent<SVGGElement, B, unknown>, bar) => {
      const dragged = at(event, bar)
      if (Math.hypot(dragged.dx, dragged.dy) <= tap) heard.tapped(bar)
      else heard.dropped(dragged)
    })
  return {
    mounted: (el, { value }) => void select<SVGGElement, B>(el).datum(value).call(behaviour),
    updated: (el, { value }) => void select(el).datum(value),
  }
}
