import type { OutletLine } from "@/contracts";
import { Outlets } from "@/features/plan/outlets";
import { addOutletAction, removeOutletAction, switchOutletAction } from "../outlet-actions";

/** The other places of one event, with what can be done about them. */
export const OutletsOf = ({ id, outlets }: { id: string; outlets: readonly OutletLine[] }) => (
  <Outlets
    outlets={outlets}
    acts={{
      add: addOutletAction.bind(null, id),
      turn: switchOutletAction.bind(null, id),
      remove: removeOutletAction.bind(null, id),
    }}
  />
);
