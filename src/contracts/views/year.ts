/** One held date in the year's table. */
export interface YearDate {
  readonly occurrenceId: string;
  readonly eventId: string;
  readonly title: string;
  readonly zone: string;
  readonly startAt: number;
  readonly registered: number;
  readonly came: number;
  readonly registeredCame: number;
  readonly stayed: number;
  readonly tookPart: number;
  readonly peak: number;
  readonly presentMinutes: number;
  readonly returning: number;
  readonly questions: number;
  readonly watchedSeconds: number;
  readonly viewers: number;
  readonly mailsSent: number;
  readonly mailsFailed: number;
}

export interface Year {
  readonly year: number;
  readonly zone: string;
  /** years with a held date, newest first */
  readonly years: readonly number[];
  readonly dates: readonly YearDate[];
  readonly events: number;
  /** people who came to any of them, each once */
  readonly people: number;
  /** came, by month of the organisation's calendar */
  readonly cameByMonth: readonly number[];
  readonly lead: readonly { readonly registered: number; readonly came: number }[];
  readonly sources: readonly { readonly source: string; readonly registered: number; readonly came: number }[];
  /** people new in the contact book, by month */
  readonly newContactsByMonth: readonly number[];
  readonly licences: { readonly owned: number; readonly peak: { readonly count: number; readonly at: number } | null };
  /** who of the stage side stood on stage most often */
  readonly stage: readonly { readonly name: string; readonly dates: number; readonly minutes: number }[];
  readonly forecast: Forecast | null;
}
export interface Forecast {
  readonly dates: number;
  readonly within: number;
  /** mean of how far off the expected count was, people */
  readonly missedBy: number;
  readonly learnt: number;
}
