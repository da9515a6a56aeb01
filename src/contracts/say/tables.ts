import type { Locale } from "../messages";
import ar from "./ar.json" with { type: "json" };
import de from "./de.json" with { type: "json" };
import es from "./es.json" with { type: "json" };
import fr from "./fr.json" with { type: "json" };
import pt from "./pt.json" with { type: "json" };
import type { SayTable } from ".";

/** Every sentence of the team's live screens in each further language; English is what stands in the source. */
export const sayTables: Readonly<Record<Locale, SayTable>> = { en: {}, ar, de, es, fr, pt };
