import Box from "@mui/material/Box";
import { Link } from "react-router";
import { useSightings, useVocabulary } from "../api/queries";
import { day } from "../shell/format";

/** Pumps that came over the counter and are in no catalogue. */
export function Sightings() {
  const seen = useSightings().data ?? [];
  const traits = useVocabulary().data?.traits;
  const named = (id: string) => traits?.find((trait) => trait.id === id)?.name ?? id;
  if (seen.length === 0) return null;
  return (
    <Box component="section" aria-label="Seen, not in the catalogue" sx={{ mt: 2 }}>
      <h2>Seen, not in the catalogue</h2>
      <ul>
        {seen.map((one) => (
          <li key={one.id}>
            <Link to={`/tickets/${one.ticket_id}`}>ticket {one.ticket_id}</Link>, {day(one.created_at)}:{" "}
            {one.readings.map((reading) => `${named(reading.trait)} ${reading.value ?? reading.range?.join(" to ") ?? "not sure"}`).join("; ")}
          </li>
        ))}
      </ul>
    </Box>
  );
}
