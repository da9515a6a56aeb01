import { sayEnglish, type Say } from "@/contracts/say";

/** Trouble that many in the audience have, in a sentence. */
export const troubleWords = (kind: string, count: number, house: number, say: Say = sayEnglish): string =>
  kind === "cannot-hear"
    ? say`${count} of ${house} in the audience cannot hear.`
    : say`${count} of ${house} in the audience find it too fast.`;
