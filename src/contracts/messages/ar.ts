import type { Messages } from "./en";
import { after } from "./after/ar";
import { mails } from "./mails/ar";
import { material } from "./material/ar";
import { people } from "./people/ar";
import { programme } from "./programme/ar";
import { together } from "./together/ar";
import { wayIn } from "./way-in/ar";

/** What the audience and the stage read, in Arabic: from right to left. */
export const ar: Messages = { ...mails, ...wayIn, ...people, ...material, ...together, ...programme, ...after };
