export const bench = async (_: string | undefined): Promise<number> => 0
