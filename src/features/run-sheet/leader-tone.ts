// quiet tones that stay apart beside each other, in light and dark; the leader's name always stands there too
const tones = ["#2A6478", "#8A6426", "#3F6B45", "#7A3B44", "#5B4A86", "#4A5652"];

/** The tone of whoever leads a segment, the same wherever it stands; nobody's is the rule's own. */
export const leaderTone = (leaderId: string | null): string =>
  leaderId === null
    ? "var(--rule)"
    : tones[[...leaderId].reduce((sum, letter) => (sum * 31 + letter.codePointAt(0)!) % 9973, 7) % tones.length]!;
