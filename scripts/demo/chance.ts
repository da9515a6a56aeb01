export { makeChance, type Chance } from "../../src/core/crowd";
