import Box from "@mui/material/Box";
import { Link } from "react-router";
import { useSightings } from "../api/queries";
import { day } from "../shell/format";

/** Pumps that came over the counter and are in no catalogue. */
export function Sightings() {
  const seen = useSightings().data ?? [];
  if (seen.length === 0) return null;
  return (
    <Box component="section" aria-label="Seen, not in the catalogue" sx={{ mt: 2 }}>
      <h2 style={{ fontSize: 18, margin: "0 0 4px" }}>Seen, not in the catalogue</h2>
      <ul style={{ margin: 0, paddingLeft: 20 }}>
        {seen.map((one) => (
          <li key={one.id}>
            <Link to={`/tickets/${one.ticket_id}`}>ticket {one.ticket_id}</Link>, {day(one.created_at)}:{" "}
            {one.readings.map((reading) => `${reading.trait.replaceAll("_", " ")} ${reading.value ?? reading.range?.join(" to ") ?? "not sure"}`).join("; ")}
          </li>
        ))}
      </ul>
    </Box>
  );
}
