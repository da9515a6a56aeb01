/** The same link with another sign near its end in the place of one, whichever stood there: a fixed one may be its own. */
export const forged = (link: string): string =>
  `${link.slice(0, -3)}${link.at(-3) === "A" ? "B" : "A"}${link.slice(-2)}`;
