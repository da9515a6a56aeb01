import { languagesIn, translatorFor } from "@/contracts/messages";

interface Besides {
  readonly place: string;
  readonly interpretationInto: readonly string[];
  readonly creditPoints: number | null;
  readonly creditThresholdPercent: number;
}

/** What else there is to know of an event: a place to come to, languages, credit; a line each. */
export function besidesOf(event: Besides, locale: string): readonly string[] {
  const t = translatorFor(locale, "front");
  const lines: string[] = [];
  if (event.place) lines.push(t("alsoAt", { place: event.place }));
  if (event.interpretationInto.length > 0)
    lines.push(t("interpreted", { languages: languagesIn(event.interpretationInto, locale) }));
  if (event.creditPoints !== null)
    lines.push(t("credit", { points: event.creditPoints, percent: event.creditThresholdPercent }));
  return lines;
}
