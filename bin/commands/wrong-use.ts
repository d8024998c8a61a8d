/** The words on the command line make no command; what is meant is said with the ways to use it. */
export class WrongUseError extends Error {}
