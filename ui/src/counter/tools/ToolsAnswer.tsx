import Box from "@mui/material/Box";
import { Wide } from "../../shell/Wide";
import Checkbox from "@mui/material/Checkbox";
import NativeSelect from "@mui/material/NativeSelect";
import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import { useQuery } from "@tanstack/react-query";
import { api, told } from "../../api/client";
import type { components } from "../../api/schema";
import type { Plan } from "../../api/types";
import { ProblemNote } from "../../shell/ProblemNote";
import type { LiveTicket } from "../../ticket/useTicket";
import { price } from "../../shell/format";
import { OwnWrench } from "./OwnWrench";

const kinds: Record<string, string> = { made: "made for this pump", drive: "key or socket" };

type LentTool = components["schemas"]["LentTool"];

interface Props extends Pick<Plan, "tools" | "consumables"> {
  /** Without one it stands as it was agreed. */
  ticket?: LiveTicket;
}

/** What must lie on the bench: what the customer has, and what is lent or sold. */
export function ToolsAnswer({ tools, consumables, ticket }: Props) {
  const { data: shelf = [] } = useQuery({ queryKey: ["tools"], queryFn: () => told(api.GET("/api/tools")), enabled: ticket !== undefined });
  return (
    <>
      {ticket && <ProblemNote ticket={ticket} where="Tools" />}
      <Wide name="Tools, table"><Table size="small" aria-label="Tools">
        <TableHead>
          <TableRow><TableCell>theirs</TableCell><TableCell>tool</TableCell><TableCell>number</TableCell><TableCell>kind</TableCell><TableCell>for</TableCell><TableCell>goes along</TableCell></TableRow>
        </TableHead>
        <TableBody>
          {tools.map((tool) => (
            <TableRow key={tool.name}>
              <TableCell padding="none">
                <Checkbox size="small" checked={tool.has} disabled={!ticket} slotProps={{ input: { "aria-label": `${tool.name}: the customer has it` } }}
                  onChange={(event) => void ticket?.add("Tools", { kind: "owns", tool: tool.name, has: event.target.checked })} />
              </TableCell>
              <TableCell><strong>{tool.name}</strong>{tool.substitute && <Box sx={{ fontSize: 14 }}>makeshift: {tool.substitute}</Box>}</TableCell>
              <TableCell>{tool.number ?? ""}</TableCell>
              <TableCell>{kinds[tool.kind] ?? tool.kind}</TableCell>
              <TableCell>{tool.why}</TableCell>
              <TableCell>{tool.number && <GoesAlong tool={tool} ticket={ticket} />}{ticket && tool.number && <ToLend tools={shelf.filter((one) => one.number === tool.number)} />}</TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table></Wide>
      {ticket && <OwnWrench ticket={ticket} />}
      {consumables.length > 0 && (
        <Box sx={{ mt: 1 }}>
          <strong>Also:</strong> {consumables.map((one) => `${one.name}: ${one.how_much}${one.packs ? ` (${one.packs} × ${one.number})` : ""}`).join("; ")}.
        </Box>
      )}
    </>
  );
}

/** Whether one can be lent today, else when the first comes back. */
function ToLend({ tools }: { tools: LentTool[] }) {
  if (tools.length === 0) return <Box sx={{ fontSize: 14 }}>none to lend here</Box>;
  const free = tools.filter((one) => one.free).length;
  const back = tools.map((one) => one.until).filter(Boolean).sort()[0];
  return <Box sx={{ fontSize: 14 }}>{free > 0 ? `${free} of ${tools.length} free to lend` : `none free${back ? `, back by ${back}` : ""}: the makeshift`}</Box>;
}

/** A tool made for a pump is lent or sold, unless the customer has it. */
function GoesAlong({ tool, ticket }: { tool: Plan["tools"][number]; ticket: LiveTicket | undefined }) {
  if (tool.has) return <>at the customer's</>;
  if (!ticket) return <>{tool.how ?? "not taken"}</>;
  return (
    <NativeSelect value={tool.how ?? ""} inputProps={{ "aria-label": `${tool.name}: lent or sold` }}
      onChange={(event) => void ticket.add("Tools", { kind: "handed", tool: tool.name, how: (event.target.value || null) as "lent" | "sold" | null })}>
      <option value="">neither</option>
      <option value="lent">lent</option>
      <option value="sold">sold{tool.price_cents ? `, ${price(tool.price_cents)}` : ""}</option>
    </NativeSelect>
  );
}
