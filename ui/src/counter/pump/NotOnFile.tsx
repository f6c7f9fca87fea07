import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useState } from "react";
import { Link } from "react-router";
import type { TicketView } from "../../api/types";
import { DayField } from "../../shell/DayField";
import { date } from "../../shell/format";
import { ProblemNote } from "../../shell/ProblemNote";
import type { LiveTicket } from "../../ticket/useTicket";

/** A pump that this shop has no sheet of: said instead of a wrong guess, kept with all that was said, and answered for by a day. */
export function NotOnFile({ ticket, view }: { ticket: LiveTicket; view: TicketView }) {
  const { found } = view;
  const kept = view.ticket.sighted;
  return (
    <Box role="status" sx={{ border: "2px solid", borderColor: "secondary.main", borderRadius: 1, p: 1.25, mt: 1 }}>
      {kept ? (
        <>
          <strong>Kept as a pump that is not on file.</strong> They hear by {date(kept.due_on)}. Whatever is typed now is kept with it:{" "}
          <Link to={`/sightings/${view.id}`}>all that is known of it</Link>.
        </>
      ) : (
        <>
          <strong>No pump in the catalogue fits what was seen.</strong>{" "}
          {found.nearest?.series ? `It seems to be a ${found.nearest.series} in a size that is not on file; nearest is ${found.nearest.model}. ` : found.nearest && `Nearest is ${found.nearest.model}. `}
          {found.contradictions.length > 0 && <>What differs: {found.contradictions.map((one) => one.text).join(" ")} </>}
          Strike out what is doubtful, or keep it for whoever gets its sheet.
        </>
      )}
      <Keep ticket={ticket} kept={Boolean(kept)} />
    </Box>
  );
}

function Keep({ ticket, kept }: { ticket: LiveTicket; kept: boolean }) {
  const [day, setDay] = useState("");
  const keep = async () => {
    if (await ticket.add("Not on file", { kind: "sighted", due_on: day || null })) setDay("");
  };
  return (
    <Box component="form" onSubmit={(event: React.FormEvent) => { event.preventDefault(); void keep(); }} sx={{ display: "flex", gap: 1, alignItems: "center", flexWrap: "wrap", mt: 0.75 }}>
      <DayField label="they hear by" placeholder="in a week" value={day} onChange={setDay} />
      <Button type="submit" variant="outlined" disabled={kept && day === ""}>{kept ? "Another day" : "Not on file: keep it as it was said"}</Button>
      <ProblemNote ticket={ticket} where="Not on file" />
    </Box>
  );
}
