import { Refusal, type Failure } from "@/core/shared";
import { sums, type SumName } from "./sums";

/** What a thread answers: a refusal is data, since an error loses its class on the way. */
export type Answer = { readonly ok: true; readonly value: unknown } | { readonly ok: false; readonly failure: Failure };

/** The one entry of a thread: a sum by its name, or word that it is there. */
export default function run({ name, input }: { name: SumName | "ready"; input?: unknown }): Answer {
  if (name === "ready") return { ok: true, value: null };
  try {
    return { ok: true, value: (sums[name] as (given: unknown) => unknown)(input) };
  } catch (error) {
    if (error instanceof Refusal) return { ok: false, failure: error.failure };
    throw error;
  }
}
