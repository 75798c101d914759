export * from './dish-machine.ts'
export * from './racks.ts'
export * from './stream.ts'
export * from './gateway.ts'
