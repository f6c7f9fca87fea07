import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useMutation, useQuery } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { Link } from "react-router";
import { api, told } from "../api/client";
import type { components } from "../api/schema";
import { useStale } from "../api/stale";
import { date, price } from "../shell/format";
import { ProblemAlert } from "../shell/ProblemAlert";
import { Table } from "../shell/Table";
import { freshKey } from "../ticket/key";

type LentTool = components["schemas"]["LentTool"];
const EMPTY = { tag: "", number: "", deposit: "25", shelf: "" };
const FIELDS = [["tag", "tag", 130], ["number", "number", 120], ["deposit", "deposit", 90], ["shelf", "shelf", 90]] as const;

const where = (tool: LentTool) =>
  tool.state === "out" ? `out with ${tool.customer ?? "nobody named"} until ${date(tool.until!)}${tool.overdue ? ", OVERDUE" : ""}` : tool.state === "promised" ? "kept for an order" : "on its shelf";

/** Tools that are lent, each by its own tag. */
export function LentTools() {
  const { data, error } = useQuery({ queryKey: ["tools"], queryFn: () => told(api.GET("/api/tools")) });
  const [typed, setTyped] = useState(EMPTY);
  const stale = useStale();
  const adding = useMutation({
    mutationFn: () => told(api.POST("/api/tools", { body: { ...typed, key: freshKey() } })),
    onSuccess: () => {
      setTyped(EMPTY);
      stale("tools");
    },
  });
  const problem = error ?? adding.error;
  return (
    <>
      <Box component="form" aria-label="New tool" onSubmit={(event: FormEvent) => { event.preventDefault(); adding.mutate(); }} sx={{ display: "flex", gap: 1, mb: 1, alignItems: "center" }}>
        {FIELDS.map(([field, label, width]) => <TextField key={field} size="small" label={label} value={typed[field]} onChange={(event) => setTyped({ ...typed, [field]: event.target.value })} sx={{ width }} slotProps={{ htmlInput: { maxLength: 40 } }} />)}
        <Button type="submit" variant="outlined" disabled={typed.tag.trim() === ""}>Write down a tool</Button>
      </Box>
      {problem && <ProblemAlert>{problem.message}</ProblemAlert>}
      {data && data.length === 0 && <p>No tool has a tag yet: the counter lends none.</p>}
      {data && data.length > 0 && (
        <Table
          name="Tools"
          headings={["tag", "what", "shelf", "condition", "where it is", "order", "deposit"]}
          right={[6]}
          rows={[...data].sort((one, two) => Number(two.overdue) - Number(one.overdue)).map((tool) => [<strong key="tag">{tool.tag}</strong>, tool.name, tool.shelf, tool.condition, where(tool), tool.order_id && <Link key="order" to={`/orders/${tool.order_id}`}>order {tool.order_id}</Link>, price(tool.deposit_cents)])}
        />
      )}
    </>
  );
}
