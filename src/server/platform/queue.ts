export const jobNames = [
  "send-due-mail",
  "sweep-dates",
  "receive-mail",
  "call-hooks",
  "make-decks",
  "join-recordings",
  "purge",
] as const;
export type JobName = (typeof jobNames)[number];

/** Where services leave work for later. Given a transaction, the job exists only if that commits. */
export interface Queue {
  enqueue(name: JobName, within?: object): Promise<void>;
}

export const noQueue: Queue = { enqueue: async () => {} };
