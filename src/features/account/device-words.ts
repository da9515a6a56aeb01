const systems = [
  [/Android/, "Android"],
  [/iPhone|iPad/, "iPhone or iPad"],
  [/Windows/, "Windows"],
  [/Mac OS X|Macintosh/, "Mac"],
  [/Linux|X11/, "Linux"],
] as const;

/** What a browser says of itself (RFC 9110 §10.1.5), as far as it tells devices apart. */
export function deviceWords(agent: string): string {
  const system = systems.find(([pattern]) => pattern.test(agent))?.[1];
  if (!system) return "Another device";
  return `${/Mobile|Android|iPhone/.test(agent) ? "Phone" : "Computer"}, ${system}`;
}
