import {
  CategoryScale,
  Chart,
  Decimation,
  Legend,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
  type ChartConfiguration,
} from 'chart.js'
import { onBeforeUnmount, watch, type Ref, type ShallowRef } from 'vue'

Chart.register(
  CategoryScale,
  Decimation,
  Legend,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
)
Chart.defaults.font.family = "'Atkinson Hyperlegible Next Variable', system-ui, sans-serif"
Chart.defaults.font.size = 15

type Line = ChartConfiguration<'line', { x: number | string; y: number | null }[]>

/** Keeps a line chart on a canvas as its configuration changes. */
export function useLineChart(
  canvas: Readonly<ShallowRef<HTMLCanvasElement | null>>,
  config: Ref<Line | null>,
) {
  let chart: Chart | null = null
  const clear = () => {
    chart?.destroy()
    chart = null
  }
  watch(
    [canvas, config],
    () => {
      clear()
      if (canvas.value && config.value) chart = new Chart(canvas.value, config.value as ChartConfiguration)
    },
    { flush: 'post', immediate: true },
  )
  onBeforeUnmount(clear)
}
