import { describe, expect, it } from "vitest";
import { defaultSwitches, duties, phases, roles, visitor, type Permission } from "../people";
import { permissionTable, roleMay, verdict, type Action } from ".";

const actions = Object.keys(permissionTable) as Action[];
/** everything that the audience may do is on */
const switches = { ...defaultSwitches, questions: { ...defaultSwitches.questions, comments: true } };
const now = (phase: (typeof phases)[number]) => ({ phase, switches });

describe("rule 6: one permission table", () => {
  it("gives a visitor nothing", () => {
    for (const action of actions) expect(roleMay(visitor, action)).toBe(false);
  });

  it("lets the producer carry everything that the team can do, and crew with all duties the hour itself", () => {
    const all = { role: "crew" as const, duties: [...duties] };
    for (const action of actions) {
      const rule: Permission = permissionTable[action];
      if (rule.roles.includes("crew"))
        expect([action, roleMay({ role: "producer", duties: [] }, action), roleMay(all, action)]).toEqual([
          action,
          true,
          true,
        ]);
    }
  });

  it("needs exactly the named duty of a crew member", () => {
    for (const action of actions) {
      const rule: Permission = permissionTable[action];
      if (!rule.duty || !rule.roles.includes("crew")) continue;
      for (const duty of duties)
        expect([action, duty, roleMay({ role: "crew", duties: [duty] }, action)]).toEqual([
          action,
          duty,
          duty === rule.duty,
        ]);
    }
  });

  it("keeps every role within its phases", () => {
    for (const action of actions) {
      const rule: Permission = permissionTable[action];
      for (const role of roles) {
        for (const phase of phases) {
          const may = verdict({ role, duties: [...duties] }, action, now(phase)) === "yes";
          expect(may).toBe(rule.roles.includes(role) && (rule.phases === "any" || rule.phases.includes(phase)));
        }
      }
    }
  });

  it("whoever holds doors and curtain can carry the hour", () => {
    const holder = { role: "crew" as const, duties: ["doors-and-curtain" as const] };
    for (const action of ["hour.open-doors", "hour.hold-doors", "hour.drop-curtain", "hour.end"] as const)
      expect(roleMay(holder, action)).toBe(true);
  });
});
