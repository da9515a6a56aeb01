import type { Picture } from "@/core/organisation";

export const pictureWords: Record<Picture, string> = {
  cards: "Names on cards",
  "one-speaker-360": "One speaker, 360 lines",
  "one-speaker-540": "One speaker, 540 lines",
  "one-speaker-720": "One speaker, 720 lines",
  "round-540": "Round of speakers, 540 lines",
  "slides-and-speaker-720": "Slides beside the speaker, 720 lines",
};
