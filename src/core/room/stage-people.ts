import { isStageRole } from "../people";
import type { DirectoryPerson, RoomDirectory } from "./directory";

const known = new WeakMap<RoomDirectory["people"], readonly DirectoryPerson[]>();

/**
 * Those who have a part in the event, among all who are registered. Looked for once in each list of people: an act
 * changes what several views show of them, seldom who they are.
 */
export function peopleOfStage(people: RoomDirectory["people"]): readonly DirectoryPerson[] {
  const found = known.get(people) ?? [...people.values()].filter((one) => isStageRole(one.role));
  known.set(people, found);
  return found;
}
