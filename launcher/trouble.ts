/** Something that whoever started Tadka can mend: told as one sentence, without a stack. */
export class Trouble extends Error {}

const ofTheDisk: Readonly<Record<string, string>> = {
  ENOSPC: 'the disk is full. Make room there: nothing that was saved is lost.',
  EDQUOT: 'this account has used up its share of the disk. Make room there.',
  EROFS: 'the disk can only be read. Mount it so that it can be written to.',
  EACCES: 'this account may not write there. Let it, or name another folder: TADKA_DATA=FOLDER.',
  EPERM: 'this account may not do that there. Let it, or name another folder: TADKA_DATA=FOLDER.',
  ENOTDIR: 'a file stands where a folder should. Name another folder: TADKA_DATA=FOLDER.',
}

/** What the system said of a file or folder, as something that can be mended; anything else as it is. */
export function asTrouble(error: unknown): unknown {
  const { code, path, dest } = error as NodeJS.ErrnoException & { dest?: string }
  const how = typeof code === 'string' ? ofTheDisk[code] : undefined
  return how === undefined || error instanceof Trouble
    ? error
    : new Trouble(`${dest ?? path ?? 'A file'}: ${how}`)
}
