import type { Messages } from "./en";
import { after } from "./after/es";
import { mails } from "./mails/es";
import { material } from "./material/es";
import { people } from "./people/es";
import { programme } from "./programme/es";
import { together } from "./together/es";
import { wayIn } from "./way-in/es";

/** What the audience and the stage read, in Spanish. */
export const es: Messages = { ...mails, ...wayIn, ...people, ...material, ...together, ...programme, ...after };
