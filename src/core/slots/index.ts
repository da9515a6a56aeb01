export { laySlots, mostSlots, type Slot, type SlotPlan } from "./lay-slots";
