import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, told } from "../api/client";
import { Table } from "../shell/Table";
import { FilePick } from "./FilePick";

type Document = Record<string, never>;
const shown = (value: unknown) => (value === undefined || value === null ? "nothing" : JSON.stringify(value).slice(0, 120));

/** The series that are sold from, and a document to be brought in: first what it would change. */
export function CatalogueDesk() {
  const cache = useQueryClient();
  const { data: series } = useQuery({ queryKey: ["catalogue"], queryFn: () => told(api.GET("/api/catalogue")) });
  const look = useMutation({
    mutationFn: async (file: File) => {
      const body = await readDocument(file);
      return { body, ...(await told(api.POST("/api/catalogue/look", { body }))) };
    },
  });
  const take = useMutation({
    mutationFn: ({ body, mark }: { body: Document; mark: string }) => told(api.POST("/api/catalogue", { body, params: { query: { mark } } })),
    onSuccess: () => {
      look.reset();
      void cache.invalidateQueries();
    },
  });
  const seen = look.data;
  return (
    <>
      <FilePick label="Look at a catalogue document (JSON)" accept=".json" onFile={(file) => { take.reset(); look.mutate(file); }} />
      {(look.error ?? take.error) && <Box role="alert" sx={{ fontWeight: 700, my: 1, whiteSpace: "pre-line" }}>▸ {(look.error ?? take.error)?.message}</Box>}
      {take.data && <Box role="status" sx={{ my: 1 }}>{take.data.id} is in the catalogue; the counter goes on with it within a moment.</Box>}
      {seen && (
        <Box sx={{ my: 1, display: "grid", gap: 1 }}>
          <Box role="status"><strong>{seen.id}</strong>: {seen.changed === 0 ? "nothing would change." : `${seen.changed} places would change. Nothing is changed yet.`}</Box>
          {seen.warnings.length > 0 && <Box component="ul" aria-label="What looks wrong" sx={{ m: 0 }}>{seen.warnings.map((one) => <li key={one}>{one}</li>)}</Box>}
          <Box sx={{ display: "flex", gap: 1 }}>
            <Button variant="contained" disabled={take.isPending || seen.changed === 0} onClick={() => take.mutate({ body: seen.body, mark: seen.mark })}>Bring it in</Button>
            <Button onClick={() => look.reset()}>Leave it</Button>
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

async function readDocument(file: File): Promise<Document> {
  try {
    return JSON.parse(await file.text()) as Document;
  } catch {
    throw new Error(`${file.name} is not valid JSON: see docs/catalogue-format.md.`);
  }
}
