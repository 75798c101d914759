export const test = async (_: readonly string[]): Promise<number> => 0
