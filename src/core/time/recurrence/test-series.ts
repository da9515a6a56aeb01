import { parseRule, type Series } from "..";
import { unwrap } from "../../shared";

export const newYork = "America/New_York";

/** A series in New York, as the RFC's examples have it, from its rule's text. */
export const series = (rule: string, startLocal = "1997-09-02T09:00", part: Partial<Series> = {}): Series => ({
  rule: unwrap(parseRule(rule, newYork)),
  startLocal,
  zone: newYork,
  exdates: [],
  rdates: [],
  ...part,
});
