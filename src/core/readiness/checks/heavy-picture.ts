import { bandwidthOf } from "../../organisation";
import { finding, type Check } from "../plan-facts";

/** The chosen picture needs more line than many have. */
export const heavyPicture: Check = (plan) => {
  const onStage = plan.stagePeople.filter((one) => one.role === "panelist").length;
  const { heavy, attendeeKbps, stageSendKbps } = bandwidthOf({
    picture: plan.picture,
    houseSize: plan.houseSize,
    onStage,
  });
  if (heavy.length === 0) return null;
  return finding("heavy-picture", "worth-a-look", plan.startAt, "plan", "picture", { attendeeKbps, stageSendKbps });
};
