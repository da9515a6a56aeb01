import type { Messages } from "./en";
import { mails } from "./mails/de";
import { material } from "./material/de";
import { people } from "./people/de";
import { wayIn } from "./way-in/de";

/** What the audience and the stage read, in German. */
export const de: Messages = { ...mails, ...wayIn, ...people, ...material };
