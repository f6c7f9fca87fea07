import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useQuery } from "@tanstack/react-query";
import { api, told } from "../api/client";
import { Table } from "../shell/Table";
import { FilePick } from "./FilePick";
import { UploadProgress } from "./UploadProgress";
import { useUpload } from "./useUpload";

const shown = (value: unknown) => (value === undefined || value === null ? "nothing" : JSON.stringify(value).slice(0, 120));

/** The series that are sold from, and a document to be brought in: first what it would change. */
export function CatalogueDesk() {
  const { data: series } = useQuery({ queryKey: ["catalogue"], queryFn: () => told(api.GET("/api/catalogue")) });
  const live = useUpload("/api/catalogue");
  const seen = live.upload?.state === "looked" ? live.upload.series : null;
  return (
    <>
      <FilePick label="Choose a catalogue document (JSON)" accept=".json" onFile={live.send} />
      <UploadProgress live={live} />
      {live.upload?.state === "taken" && <Box role="status" sx={{ my: 1 }}>{live.upload.taken?.id} is in the catalogue; the counter goes on with it within a moment.</Box>}
      {seen && (
        <Box sx={{ my: 1, display: "grid", gap: 1 }}>
          <Box role="status"><strong>{seen.id}</strong>: {seen.changed === 0 ? "nothing would change." : `${seen.changed} places would change. Nothing is changed yet.`}</Box>
          {seen.effects.length > 0 && (
            <Box component="ul" aria-label="What orders would say otherwise" sx={{ m: 0 }}>
              {seen.effects.slice(0, 20).map((one, at) => <li key={at}>{one.danger && <strong>{one.danger}: </strong>}{one.kind} {one.what}: {one.was ?? "nothing"} → {one.is ?? "nothing"} ({one.pumps.length} {one.pumps.length === 1 ? "pump" : "pumps"})</li>)}
            </Box>
          )}
          {seen.warnings.length > 0 && <Box component="ul" aria-label="What looks wrong" sx={{ m: 0 }}>{seen.warnings.map((one) => <li key={one}>{one}</li>)}</Box>}
          <Box sx={{ display: "flex", gap: 1 }}>
            <Button variant="contained" disabled={live.busy || seen.changed === 0} onClick={() => live.take(seen.mark, false)}>Bring it in</Button>
            <Button onClick={live.giveUp}>Leave it</Button>
          </Box>
          {seen.changed > 0 && <Table name="Changes" headings={["place", "was", "would be"]} rows={seen.changes.map((one) => [one.place || "the whole series", shown(one.was), shown(one.is)])} />}
        </Box>
      )}
      <Box sx={{ mt: 2 }}>
        {series && <Table name="Series" headings={["series", "maker", "models", "manual"]} rows={series.map((one) => [one.name, one.maker, one.models.join(", "), one.manual ?? ""])} />}
      </Box>
    </>
  );
}
