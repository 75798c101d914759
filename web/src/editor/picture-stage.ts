import Konva from 'konva'

export type MarkTool = 'arrow' | 'ring' | 'crop'

/** The longer side of the stage at most, px. */
const longest = 640
/** A mark shorter than this is a stray touch, px. */
const leastDrag = 12
/** Drawn over any photo: light in dark, so that it is seen on either. */
const marks = { stroke: '#ffd23e', strokeWidth: 7, shadowColor: '#10181a', shadowBlur: 4, shadowOpacity: 1 }

/** A photo with arrows and rings drawn on it by dragging, and cropped by dragging a frame over what is kept. */
export class PictureStage {
  readonly #stage: Konva.Stage
  readonly #drawn = new Konva.Layer()
  readonly #changed: () => void
  #tool: MarkTool = 'arrow'
  #frame: Konva.Rect | null = null

  constructor(container: HTMLDivElement, image: ImageBitmap, changed: () => void) {
    const scale = Math.min(1, longest / Math.max(image.width, image.height))
    const size = { width: Math.round(image.width * scale), height: Math.round(image.height * scale) }
    this.#stage = new Konva.Stage({ container, ...size })
    this.#changed = changed
    const photo = new Konva.Layer({ listening: false })
    photo.add(new Konva.Image({ image, ...size }))
    this.#stage.add(photo, this.#drawn)
    this.#stage.on('pointerdown', () => this.#begin())
  }

  set tool(tool: MarkTool) {
    this.#tool = tool
  }
  get count(): number {
    return this.#drawn.getChildren().length
  }

  /** Marks without dragging, as by keyboard: in the middle of the photo. */
  inTheMiddle(): void {
    const { width, height } = this.#stage.size()
    const shape = this.#shape({ x: width * 0.3, y: height * 0.3 })
    this.#stretch(shape, { x: width * 0.3, y: height * 0.3 }, { x: width * 0.7, y: height * 0.7 })
    this.#changed()
  }

  undo(): void {
    const last = this.#drawn.getChildren().at(-1)
    if (last === this.#frame) this.#frame = null
    last?.destroy()
    this.#changed()
  }

  #begin(): void {
    const from = this.#stage.getPointerPosition()
    if (!from) return
    const shape = this.#shape(from)
    const move = () => {
      const to = this.#stage.getPointerPosition()
      if (to) this.#stretch(shape, from, to)
    }
    const end = () => {
      this.#stage.off('pointermove', move)
      window.removeEventListener('pointerup', end)
      const { width, height } = shape.getClientRect({ skipStroke: true, skipShadow: true })
      if (Math.hypot(width, height) < leastDrag) {
        if (shape === this.#frame) this.#frame = null
        shape.destroy()
      }
      this.#changed()
    }
    this.#stage.on('pointermove', move)
    window.addEventListener('pointerup', end)
  }

  #shape(at: Konva.Vector2d): Konva.Arrow | Konva.Ellipse | Konva.Rect {
    const shape =
      this.#tool === 'arrow'
        ? new Konva.Arrow({
            points: [at.x, at.y, at.x, at.y],
            fill: marks.stroke,
            pointerLength: 20,
            pointerWidth: 20,
            ...marks,
          })
        : this.#tool === 'ring'
          ? new Konva.Ellipse({ x: at.x, y: at.y, radiusX: 1, radiusY: 1, ...marks })
          : new Konva.Rect({
              ...at,
              width: 1,
              height: 1,
              stroke: '#ffffff',
              strokeWidth: 3,
              dash: [10, 6],
              shadowColor: '#000000',
              shadowBlur: 3,
            })
    if (shape instanceof Konva.Rect) {
      this.#frame?.destroy()
      this.#frame = shape
    }
    this.#drawn.add(shape)
    return shape
  }

  #stretch(shape: Konva.Arrow | Konva.Ellipse | Konva.Rect, from: Konva.Vector2d, to: Konva.Vector2d): void {
    if (shape instanceof Konva.Arrow) shape.points([from.x, from.y, to.x, to.y])
    else if (shape instanceof Konva.Ellipse)
      shape.setAttrs({
        x: (from.x + to.x) / 2,
        y: (from.y + to.y) / 2,
        radiusX: Math.abs(to.x - from.x) / 2,
        radiusY: Math.abs(to.y - from.y) / 2,
      })
    else
      shape.setAttrs({
        x: Math.min(from.x, to.x),
        y: Math.min(from.y, to.y),
        width: Math.abs(to.x - from.x),
        height: Math.abs(to.y - from.y),
      })
  }

  /** The picture as it is kept: cropped, its marks in it. */
  async picture(): Promise<Blob> {
    const frame = this.#frame
    const { width, height } = this.#stage.size()
    const area = frame
      ? frame.getClientRect({ skipStroke: true, skipShadow: true })
      : { x: 0, y: 0, width, height }
    frame?.hide()
    const x = Math.max(0, area.x)
    const y = Math.max(0, area.y)
    const kept = { x, y, width: Math.min(width - x, area.width), height: Math.min(height - y, area.height) }
    const canvas = this.#stage.toCanvas({ ...kept, pixelRatio: 2 })
    return new Promise((resolve, reject) =>
      canvas.toBlob((blob) => (blob ? resolve(blob) : reject(new Error('no picture'))), 'image/jpeg', 0.85),
    )
  }

  end(): void {
    this.#stage.destroy()
  }
}
