import type { ReactNode } from "react";
import { classes } from "./classes";

/** Things one under the other with a hairline between them. */
export function List({ label, children, className }: { label: string; children: ReactNode; className?: string }) {
  return (
    <ul aria-label={label} className={classes("divide-y divide-rule", className)}>
      {children}
    </ul>
  );
}

/** One thing of a list: what it is, and at the end its acts. */
export const ListItem = ({
  children,
  acts,
  className,
}: {
  children: ReactNode;
  acts?: ReactNode;
  className?: string;
}) => (
  <li className={classes("flex items-center gap-3 py-2", className)}>
    <div className="min-w-0 flex-1">{children}</div>
    {acts && <div className="flex shrink-0 gap-2">{acts}</div>}
  </li>
);
