import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import type { components } from "../api/schema";
import { price } from "../shell/format";
import { Table } from "../shell/Table";
import { FilePick } from "../desk/FilePick";
import { UploadProgress } from "../desk/UploadProgress";
import { useUpload } from "../desk/useUpload";

type Stocked = components["schemas"]["Stocked"];

const stocked = (one: Stocked | null) => (one ? `${price(one.price_cents)}, ${one.on_hand} here, pack of ${one.pack}` : "no price yet");

/** A shop's own list: first what it would change, then the change. */
export function PriceListFile() {
  const live = useUpload("/api/price-list");
  const seen = live.upload?.state === "looked" ? live.upload.prices : null;
  return (
    <Box sx={{ mb: 2 }}>
      <FilePick label="Choose a price list (CSV or XLSX)" accept=".csv,.txt,.tsv,.xlsx" onFile={live.send} />
      <UploadProgress live={live} />
      {live.upload?.state === "taken" && <Box role="status" sx={{ my: 1 }}>Prices taken: {live.upload.taken?.taken}.</Box>}
      {seen && (
        <Box sx={{ my: 1, display: "grid", gap: 1 }}>
          <Box role="status"><strong>{live.name}</strong>: {seen.changed} would change, {seen.same} are as they were, {seen.refused_lines} cannot be read{seen.unsold > 0 && `, ${seen.unsold} are in no catalogue (kept, and never sold)`}. Nothing is changed yet.</Box>
          {seen.refused.length > 0 && (
            <Box component="ul" aria-label="Lines that cannot be read" sx={{ m: 0, maxHeight: 160, overflow: "auto" }}>
              {seen.refused.map((why) => <li key={why}>{why}</li>)}
              {seen.refused_lines > seen.refused.length && <li>… and {seen.refused_lines - seen.refused.length} more.</li>}
            </Box>
          )}
          <Box sx={{ display: "flex", gap: 1 }}>
            <Button variant="contained" disabled={live.busy || seen.changed === 0} onClick={() => live.take(seen.mark, seen.refused_lines > 0)}>
              {seen.refused_lines > 0 ? `Take ${changes(seen.changed)} without the ${seen.refused_lines === 1 ? "line that cannot" : `${seen.refused_lines} lines that cannot`} be read` : `Take ${changes(seen.changed)}`}
            </Button>
            <Button onClick={live.giveUp}>Leave it</Button>
          </Box>
          {seen.changes.length > 0 && (
            <Box sx={{ maxHeight: 320, overflow: "auto" }} tabIndex={0} role="region" aria-label="What would change">
              <Table name="Changes" headings={["number", "was", "would be"]} rows={seen.changes.map((one) => [one.sold ? one.number : `${one.number} (in no catalogue)`, stocked(one.was), stocked(one.now)])} />
              {seen.changed > seen.changes.length && <p>… and {seen.changed - seen.changes.length} more.</p>}
            </Box>
          )}
        </Box>
      )}
    </Box>
  );
}

const changes = (count: number) => `${count} ${count === 1 ? "change" : "changes"}`;
