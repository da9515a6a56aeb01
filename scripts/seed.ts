import { makeContext } from "../src/server/worker";
import { seedDemo } from "./demo/seed";

const { context, close } = await makeContext(process.env);
const isNew = await seedDemo(context);
console.log(isNew ? "demo laid down" : "demo was there already");
await close();
process.exit(0);
