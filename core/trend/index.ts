export {
  controlChart,
  fewestValues,
  type ChartPoint,
  type ControlChart,
  type Signal,
} from './control-chart.ts'
export {
  hoursTogether,
  trendsOf,
  type CaseTrend,
  type CheckTrend,
  type LateTrend,
  type SolutionTrend,
  type Trends,
  type WorkTrend,
} from './trends.ts'
