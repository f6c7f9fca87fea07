import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useMutation, useQuery } from "@tanstack/react-query";
import { Link, useNavigate, useParams } from "react-router";
import { api, told } from "../api/client";
import type { components } from "../api/schema";
import { Photos } from "../counter/pump/Photos";
import { date, day } from "../shell/format";
import { Page } from "../shell/Page";
import { ProblemAlert } from "../shell/ProblemAlert";
import { Small } from "../shell/text";
import { TwoColumns } from "../shell/TwoColumns";
import { freshKey } from "../ticket/key";
import { GoOn } from "./GoOn";

type Sighting = components["schemas"]["Sighting"];

/** A pump that is not on file: who waits for what, every word of it, and what its sheet would say that nobody has asked yet. */
export function SightingPage() {
  const id = Number(useParams().id);
  const { data: seen, error } = useQuery({ queryKey: ["sightings", id], queryFn: () => told(api.GET("/api/sightings/{id}", { params: { path: { id } } })) });
  return (
    <Page title="Not on file" headed={Boolean(seen)}>
      {error && <ProblemAlert>{error.message}</ProblemAlert>}
      {seen && (
        <>
          <h1>{seen.customer ? `${seen.customer.name}’s pump` : "A pump"}, not on file</h1>
          <Standing seen={seen} />
          <TwoColumns leftWidth={420} left={<Asked seen={seen} />}>
            <h2>As it was said</h2>
            <ol style={{ margin: 0, paddingLeft: 22 }}>{seen.words.map((line) => <Said key={line.number} line={line} />)}</ol>
            <Photos ticket={seen.ticket_id} outside={[]} pump={null} />
          </TwoColumns>
        </>
      )}
    </Page>
  );
}

function Standing({ seen }: { seen: Sighting }) {
  const who = seen.customer && [seen.customer.name, seen.customer.place, seen.customer.phone].filter(Boolean).join(" · ");
  return (
    <Box sx={{ borderLeft: "6px solid", borderColor: seen.fits ? "primary.main" : "secondary.main", bgcolor: "background.paper", px: 2, py: 1.25, mb: 2 }}>
      {seen.fits ? (
        <><strong>{seen.fits.maker} {seen.fits.pump} fits, and came on file since.</strong> Ring {who ?? "them: nobody is named"}. <Link to={`/catalogue/series/${seen.fits.series_id}`}>its page</Link></>
      ) : (
        <><strong>They hear by {date(seen.due_on)}.</strong> {who ?? "Nobody is named: say whose it is on the ticket."}</>
      )}
      <Box sx={{ mt: 0.5 }}>
        <Link to={`/tickets/${seen.ticket_id}`}>ticket {seen.ticket_id}</Link>: seen on {day(seen.at)}{seen.open ? "" : ". It waits no more: the ticket went on."}
      </Box>
      {seen.open && <GoOn ticket={seen.ticket_id} />}
    </Box>
  );
}

function Asked({ seen }: { seen: Sighting }) {
  const navigate = useNavigate();
  const beginning = useMutation({
    mutationFn: () => told(api.POST("/api/drafts", { body: { from: "sighting", sighting: seen.ticket_id, key: freshKey() } })),
    onSuccess: (draft) => void navigate(`/catalogue/drafts/${draft.id}`),
  });
  return (
    <Box>
      <h2>What is known</h2>
      {seen.readings.length > 0 ? <ul>{seen.readings.map((one) => <li key={one.trait + one.text}>{one.text}</li>)}</ul> : <p>Nothing that goes by a trait.</p>}
      <h2>Ask next, for its sheet</h2>
      <p>{seen.lacking.length > 0 ? seen.lacking.map((one) => one.name).join(" · ") : "All that sheets usually say was told."}</p>
      {beginning.error && <ProblemAlert>{beginning.error.message}</ProblemAlert>}
      <Button variant="outlined" disabled={beginning.isPending} onClick={() => beginning.mutate()}>Write its series from this</Button>
    </Box>
  );
}

function Said({ line }: { line: Sighting["words"][number] }) {
  return (
    <li style={{ marginBottom: 8, textDecoration: line.struck ? "line-through" : undefined }}>
      <span style={{ fontSize: 18 }}>“{line.words}”</span>
      <Small>{line.who}, {day(line.at)}{line.texts.length > 0 && `: ${line.texts.join("; ")}`}{line.unheard.length > 0 && <em> · not taken as anything: {line.unheard.join(", ")}</em>}</Small>
    </li>
  );
}
