import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import type { Plan } from "../api/types";

const kinds: Record<string, string> = { made: "made for this pump", drive: "key or socket" };

export function ToolsAnswer({ plan }: { plan: Plan }) {
  return (
    <>
      <Table size="small" aria-label="Tools">
        <TableHead>
          <TableRow><TableCell>tool</TableCell><TableCell>number</TableCell><TableCell>kind</TableCell><TableCell>for</TableCell></TableRow>
        </TableHead>
        <TableBody>
          {plan.tools.map((tool) => (
            <TableRow key={tool.name}>
              <TableCell sx={{ fontWeight: 700 }}>{tool.name}</TableCell>
              <TableCell>{tool.number ?? ""}</TableCell>
              <TableCell>{kinds[tool.kind] ?? tool.kind}</TableCell>
              <TableCell>{tool.why}</TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
      {plan.consumables.length > 0 && (
        <p style={{ margin: "8px 0 0" }}>
          <strong>Also:</strong> {plan.consumables.map((one) => `${one.amount} ${one.unit} ${one.name}`).join(", ")}.
        </p>
      )}
    </>
  );
}
