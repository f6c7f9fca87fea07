import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import type { Plan } from "../../api/types";

const kinds: Record<string, string> = { made: "made for this pump", drive: "key or socket" };

export function ToolsAnswer({ tools, consumables }: Pick<Plan, "tools" | "consumables">) {
  return (
    <>
      <Table size="small" aria-label="Tools">
        <TableHead>
          <TableRow><TableCell>tool</TableCell><TableCell>number</TableCell><TableCell>kind</TableCell><TableCell>for</TableCell></TableRow>
        </TableHead>
        <TableBody>
          {tools.map((tool) => (
            <TableRow key={tool.name}>
              <TableCell sx={{ fontWeight: 700 }}>{tool.name}</TableCell>
              <TableCell>{tool.number ?? ""}</TableCell>
              <TableCell>{kinds[tool.kind] ?? tool.kind}</TableCell>
              <TableCell>{tool.why}</TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
      {consumables.length > 0 && (
        <p style={{ margin: "8px 0 0" }}>
          <strong>Also:</strong> {consumables.map((one) => `${one.amount} ${one.unit} ${one.name}${one.packs ? ` (${one.packs} × ${one.number})` : ""}`).join(", ")}.
        </p>
      )}
    </>
  );
}
