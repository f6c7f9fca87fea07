import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import LinearProgress from "@mui/material/LinearProgress";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { api, told } from "../api/client";
import type { components } from "../api/schema";
import { price } from "../shell/format";
import { Table } from "../shell/Table";
import { FilePick } from "./FilePick";

type Stocked = components["schemas"]["Stocked"];
interface Agreed {
  file: File;
  mark: string;
  skip: boolean;
}

/** As it lies on the disk: the server reads what spreadsheets write. */
const asIs = (file: File) => ({ body: file as unknown as string, bodySerializer: () => file, headers: { "Content-Type": "application/octet-stream" } });
const stocked = (one: Stocked | null) => (one ? `${price(one.price_cents)}, ${one.on_hand} here, pack of ${one.pack}` : "no price yet");

/** A shop's own list: first what it would change, then the change. */
export function PriceListFile() {
  const cache = useQueryClient();
  const look = useMutation({ mutationFn: async (file: File) => ({ file, ...(await told(api.POST("/api/price-list/look", asIs(file)))) }) });
  const take = useMutation({
    mutationFn: ({ file, mark, skip }: Agreed) => told(api.POST("/api/price-list", { ...asIs(file), params: { query: skip ? { mark, skip: "true" } : { mark } } })),
    onSuccess: () => {
      look.reset();
      void cache.invalidateQueries({ queryKey: ["prices"] });
    },
  });
  const seen = look.data;
  const pick = (file: File) => {
    take.reset();
    look.mutate(file);
  };
  return (
    <Box sx={{ mb: 2 }}>
      <FilePick label="Look at a price list (CSV or XLSX)" accept=".csv,.txt,.tsv,.xlsx" onFile={pick} />
      {(look.isPending || take.isPending) && <Box role="status" sx={{ my: 1 }}>{look.isPending ? "Reading the list …" : "Taking the prices …"}<LinearProgress aria-label="At work" /></Box>}
      {(look.error ?? take.error) && <Box role="alert" sx={{ fontWeight: 700, my: 1 }}>▸ {(look.error ?? take.error)?.message}</Box>}
      {take.data && <Box role="status" sx={{ my: 1 }}>{take.data.taken} prices were taken.</Box>}
      {seen && (
        <Box sx={{ my: 1, display: "grid", gap: 1 }}>
          <Box role="status"><strong>{seen.file.name}</strong>: {seen.changed} would change, {seen.same} are as they were, {seen.refused.length} cannot be read{seen.unsold > 0 && `, ${seen.unsold} are in no catalogue (kept, and never sold)`}. Nothing is changed yet.</Box>
          {seen.refused.length > 0 && <Box component="ul" aria-label="Lines that cannot be read" sx={{ m: 0, maxHeight: 160, overflow: "auto" }}>{seen.refused.map((why) => <li key={why}>{why}</li>)}</Box>}
          <Box sx={{ display: "flex", gap: 1 }}>
            <Button variant="contained" disabled={take.isPending || seen.changed === 0} onClick={() => take.mutate({ file: seen.file, mark: seen.mark, skip: seen.refused.length > 0 })}>
              {seen.refused.length > 0 ? `Take the ${seen.changed} changes, leave out ${seen.refused.length} lines` : `Take the ${seen.changed} changes`}
            </Button>
            <Button onClick={() => look.reset()}>Leave it</Button>
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
