import { Checkbox } from "@/ui";

export const peopleWords = (count: number): string => (count === 1 ? "1 person" : `${count} people`);

/** Whether those concerned hear of it at once, and how many they are; `otherwise`: what is so where they do not. */
export function TellChoice(props: {
  holders: number;
  isOn: boolean;
  onChange: (isOn: boolean) => void;
  otherwise?: string;
}) {
  if (props.holders === 0) return <p>Nobody is registered or invited yet.</p>;
  return (
    <label className="flex items-start gap-2">
      <Checkbox className="mt-1" checked={props.isOn} onChange={(event) => props.onChange(event.target.checked)} />
      <span>
        Tell {peopleWords(props.holders)} by mail at once.{" "}
        {props.otherwise ?? "Without it nobody hears of it; their tickets say “cancelled” either way."}
      </span>
    </label>
  );
}
