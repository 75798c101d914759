export * from './records.ts'
export { sampleFold, type SampleState } from './fold.ts'
export { judgeSample, samplesStand, type FoundVerdict, type SampleStands } from './judge.ts'
