/** Something that whoever started Tadka can mend: told as one sentence, without a stack. */
export class Trouble extends Error {}
