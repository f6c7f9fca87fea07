import { useMemo, useState } from "react";
import type { TicketView } from "../../api/types";

/** Lines that were typed on this ticket, to be brought back with the arrow keys. The latest comes first. */
export function useTyped(view: TicketView, type: (text: string) => void) {
  const [back, setBack] = useState(-1);
  const lines = useMemo(() => [...new Set(view.call.filter((line) => line.kind === "said").map((line) => line.words ?? "").reverse())], [view.call]);
  const show = (place: number) => {
    setBack(place);
    type(place < 0 ? "" : lines[place]!);
  };
  return {
    earlier: () => { if (back + 1 < lines.length) show(back + 1); },
    later: () => { if (back >= 0) show(back - 1); },
    leave: () => setBack(-1),
  };
}
