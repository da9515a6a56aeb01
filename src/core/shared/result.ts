import { Refusal, type Failure } from "./failure";

export type Result<T, F extends Failure = Failure> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly failure: F };

export const ok = <T>(value: T): Result<T, never> => ({ ok: true, value });
export const fail = <F extends Failure>(failure: F): Result<never, F> => ({ ok: false, failure });

/** The value, or the failure thrown as a Refusal: for the edge between core and services. */
export function unwrap<T>(result: Result<T>): T {
  if (!result.ok) throw new Refusal(result.failure);
  return result.value;
}
