import type { Messages } from "./en";
import { after } from "./after/fr";
import { mails } from "./mails/fr";
import { material } from "./material/fr";
import { people } from "./people/fr";
import { programme } from "./programme/fr";
import { together } from "./together/fr";
import { wayIn } from "./way-in/fr";

/** What the audience and the stage read, in French. */
export const fr: Messages = { ...mails, ...wayIn, ...people, ...material, ...together, ...programme, ...after };
