/** Ends an exhaustive switch: a new member of the union fails the type check here. */
export function assertNever(value: never): never {
  throw new Error(`unexpected value: ${JSON.stringify(value)}`);
}
