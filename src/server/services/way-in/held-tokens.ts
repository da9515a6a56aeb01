const most = 20;

/** The tokens of tickets that a browser holds, among its cookies by name: so many of the last at most. */
export const heldAmong = (cookies: Iterable<readonly [name: string, value: string]>): readonly string[] =>
  [...cookies].flatMap(([name, value]) => (/^sc-[0-9a-f]{8}-/.test(name) ? [value] : [])).slice(-most);
