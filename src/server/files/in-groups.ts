/** Does something for each of many, so many at a time. @returns what came of each, in their order */
export async function inGroups<T, R>(
  all: readonly T[],
  together: number,
  act: (one: T, index: number) => Promise<R>,
): Promise<readonly R[]> {
  const done: R[] = [];
  for (let i = 0; i < all.length; i += together)
    done.push(...(await Promise.all(all.slice(i, i + together).map((one, n) => act(one, i + n)))));
  return done;
}
