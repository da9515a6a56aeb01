import { Empty } from "@/ui";

/** Where no date is: because there is none yet, or because none fits what was asked for. */
export const NoDates = ({ isNarrowed }: { isNarrowed: boolean }) =>
  isNarrowed ? (
    <Empty title="Nothing fits your search">Try other words or another state, or show all.</Empty>
  ) : (
    <Empty title="Nothing lies ahead">Plan an event: its dates then stand here, with what they still lack.</Empty>
  );
