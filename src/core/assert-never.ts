/** Closes a switch over a union: the compiler refuses a missing case, and a value that slipped in throws. */
export function assertNever(value: never): never {
  throw new Error(`assertNever: unhandled value ${JSON.stringify(value)}`);
}
