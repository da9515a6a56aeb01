import type { Messages } from "./en";
import { mails } from "./mails/es";
import { material } from "./material/es";
import { people } from "./people/es";
import { wayIn } from "./way-in/es";

/** What the audience and the stage read, in Spanish. */
export const es: Messages = { ...mails, ...wayIn, ...people, ...material };
