/** A contact as the screens show it. */
export interface ContactLine {
  readonly id: string;
  readonly name: string;
  readonly email: string;
  readonly company: string;
  readonly phone: string;
  readonly note: string;
  readonly zone: string | null;
  readonly tags: readonly string[];
  readonly groups: readonly string[];
  readonly unsubscribedAt: number | null;
  readonly addressFailedAt: number | null;
  readonly addressFailedReason: string | null;
}
export type Done<T> = { ok: true; value: T } | { ok: false; words: string };
