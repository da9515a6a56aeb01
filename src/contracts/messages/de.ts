import type { Messages } from "./en";
import { after } from "./after/de";
import { mails } from "./mails/de";
import { material } from "./material/de";
import { people } from "./people/de";
import { programme } from "./programme/de";
import { together } from "./together/de";
import { wayIn } from "./way-in/de";

/** What the audience and the stage read, in German. */
export const de: Messages = { ...mails, ...wayIn, ...people, ...material, ...together, ...programme, ...after };
