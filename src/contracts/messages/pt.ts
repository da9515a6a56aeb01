import type { Messages } from "./en";
import { after } from "./after/pt";
import { mails } from "./mails/pt";
import { material } from "./material/pt";
import { people } from "./people/pt";
import { programme } from "./programme/pt";
import { together } from "./together/pt";
import { wayIn } from "./way-in/pt";

/** What the audience and the stage read, in Portuguese. */
export const pt: Messages = { ...mails, ...wayIn, ...people, ...material, ...together, ...programme, ...after };
