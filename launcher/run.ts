import { spawn, type SpawnOptions } from 'node:child_process'

/** Runs a command with its output shown, and returns its exit code. */
export function run(command: string, args: readonly string[], options: SpawnOptions = {}): Promise<number> {
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, { stdio: 'inherit', ...options })
    child.once('error', reject)
    child.once('exit', (code) => resolve(code ?? 1))
  })
}

/** Runs a command with its output kept, and shown as it comes unless `isQuiet`. */
export function runKeeping(
  command: string,
  args: readonly string[],
  options: SpawnOptions = {},
  isQuiet = false,
): Promise<{ code: number; output: string }> {
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, { ...options, stdio: ['ignore', 'pipe', 'pipe'] })
    let output = ''
    const keep = (to: NodeJS.WriteStream) => (chunk: Buffer) => {
      output += chunk.toString()
      if (!isQuiet) to.write(chunk)
    }
    child.stdout?.on('data', keep(process.stdout))
    child.stderr?.on('data', keep(process.stderr))
    child.once('error', reject)
    child.once('exit', (code) => resolve({ code: code ?? 1, output }))
  })
}
