/** What makes a phone ring: the phone line, asked to call a number and to report `answer` when somebody picks up. */
export interface DialPort {
  /** @throws where the line cannot be asked */
  ring(number: string, answer: string): Promise<void>;
}
/** A line that needs no asking: the stand-in looks by itself what rings. */
export const noDial: DialPort = { ring: async () => {} };
