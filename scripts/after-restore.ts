// After `npm run restore`: people who were erased since are erased again, and mails that may have gone since go no more.
import { makeContext } from "../src/server/worker";
import { letGoneMailsBe } from "../src/server/services/mailings/outbox";
import { replayErasures } from "../src/server/services/people/contacts/erase";

const { context, close } = await makeContext(process.env);
const erased = await replayErasures(context);
const dropped = await letGoneMailsBe(context);
await close();
console.log(`${erased} people erased again; ${dropped} mails that were due before now will not go a second time`);
