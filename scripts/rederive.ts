// npm run rederive: instants of coming dates brought in step with this machine's zone database. Each start of a work part does so too.
import { makeContext } from "../src/server/worker";
import { rederiveInstants } from "../src/server/services/planning/dates/rederive";

const { context, close } = await makeContext(process.env);
const moved = await rederiveInstants(context);
await close();
console.log(`${moved} dates follow their zones`);
