import Box from "@mui/material/Box";
import Checkbox from "@mui/material/Checkbox";
import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import type { Plan } from "../../api/types";
import { ProblemNote } from "../../shell/ProblemNote";
import type { LiveTicket } from "../../ticket/useTicket";
import { OwnWrench } from "./OwnWrench";

const kinds: Record<string, string> = { made: "made for this pump", drive: "key or socket" };

interface Props extends Pick<Plan, "tools" | "consumables"> {
  /** Without one it stands as it was agreed. */
  ticket?: LiveTicket;
}

/** What must lie on the bench: what the customer has, and what is lent or sold. */
export function ToolsAnswer({ tools, consumables, ticket }: Props) {
  return (
    <>
      {ticket && <ProblemNote ticket={ticket} where="Tools" />}
      <Table size="small" aria-label="Tools">
        <TableHead>
          <TableRow><TableCell>has it</TableCell><TableCell>tool</TableCell><TableCell>number</TableCell><TableCell>kind</TableCell><TableCell>for</TableCell></TableRow>
        </TableHead>
        <TableBody>
          {tools.map((tool) => (
            <TableRow key={tool.name}>
              <TableCell padding="none">
                <Checkbox size="small" checked={tool.has} disabled={!ticket} slotProps={{ input: { "aria-label": `${tool.name}: the customer has it` } }}
                  onChange={(event) => void ticket?.add("Tools", { kind: "owns", tool: tool.name, has: event.target.checked })} />
              </TableCell>
              <TableCell sx={{ fontWeight: 700 }}>{tool.name}</TableCell>
              <TableCell>{tool.number ?? ""}</TableCell>
              <TableCell>{kinds[tool.kind] ?? tool.kind}</TableCell>
              <TableCell>{tool.why}</TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
      {ticket && <OwnWrench ticket={ticket} />}
      {consumables.length > 0 && (
        <Box sx={{ mt: 1 }}>
          <strong>Also:</strong> {consumables.map((one) => `${one.amount} ${one.unit} ${one.name}${one.packs ? ` (${one.packs} × ${one.number})` : ""}`).join(", ")}.
        </Box>
      )}
    </>
  );
}
