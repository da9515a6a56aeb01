import { after } from "./after/en";
import { mails } from "./mails/en";
import { material } from "./material/en";
import { people } from "./people/en";
import { programme } from "./programme/en";
import { together } from "./together/en";
import { wayIn } from "./way-in/en";

/** What the audience and the stage read, in English. Further languages take the same shape. */
export const en = { ...mails, ...wayIn, ...people, ...material, ...together, ...programme, ...after };

export type Messages = typeof en;
