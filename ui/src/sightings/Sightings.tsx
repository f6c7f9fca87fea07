import Box from "@mui/material/Box";
import { Link } from "react-router";
import { useSightings } from "../api/queries";
import { date } from "../shell/format";

/** Pumps that came over the counter and are not on file, the one that is due first first. */
export function Sightings() {
  const seen = useSightings().data ?? [];
  if (seen.length === 0) return null;
  return (
    <Box component="section" aria-label="Not on file" sx={{ mt: 2 }}>
      <h2>Not on file</h2>
      <ul>
        {seen.map((one) => (
          <li key={one.ticket_id}>
            <Link to={`/sightings/${one.ticket_id}`}>{one.customer?.name ?? "nobody named"}, by {date(one.due_on)}</Link>: {one.words.map((line) => line.words).join(" · ")}
            {one.fits && <strong> {one.fits.maker} {one.fits.pump} is on file now: ring.</strong>}
          </li>
        ))}
      </ul>
    </Box>
  );
}
