import type { Messages } from "./en";
import { mails } from "./mails/fr";
import { material } from "./material/fr";
import { people } from "./people/fr";
import { wayIn } from "./way-in/fr";

/** What the audience and the stage read, in French. */
export const fr: Messages = { ...mails, ...wayIn, ...people, ...material };
