import Button from "@mui/material/Button";
import { type ClipboardEvent, type KeyboardEvent, useState } from "react";
import { Adding } from "./Adding";
import { Cell, Choice } from "./Cell";
import { type Entry, fieldOf, isEntry, nameKey, plain, type Shape, stepOf, type Step, type Value, whole } from "./shape";
import { add, type Edit, type LiveDraft, remove, text } from "./useDraft";

interface Props {
  live: LiveDraft;
  root: Shape;
  list: string;
  rows: Entry[];
  items: Shape;
  onOpen: (step: Step) => void;
}

const reach = (row: Entry, key: string): Value => key.split(".").reduce<Value>((inside, one) => (isEntry(inside) ? inside[one] : undefined), row);

/** Rows of one list as a table that is typed into and pasted into, cell by cell. */
export function Grid({ live, root, list, rows, items, onOpen }: Props) {
  const [more, setMore] = useState<string[]>([]);
  const called = nameKey(items);
  const columns = [...new Set([...columnsOf(items, root, rows), ...more])];
  const id = (row: number, column: number) => `${list}-${row}-${column}`;
  const at = (row: number, key: string): Step[] => [list, list === "fits" ? row : stepOf(rows[row]!, row), ...key.split(".")];

  const paste = (row: number, column: number) => (event: ClipboardEvent<HTMLInputElement>) => {
    const lines = event.clipboardData.getData("text").replace(/\r?\n$/, "").split(/\r?\n/).map((line) => line.split("\t"));
    if (lines.length === 1 && lines[0]!.length === 1) return;
    event.preventDefault();
    void live.edit(pasted(lines, row, column));
  };
  /** Rows beyond the last begin with what stands in the column of names. */
  const pasted = (lines: string[][], row: number, column: number): Edit[] =>
    lines.flatMap((cells, down) => {
      const target = row + down;
      const name = cells[columns.indexOf(called) - column]?.trim();
      const begins = target >= rows.length ? [add([list], name ?? "")] : [];
      const place = (key: string): Step[] => (target < rows.length ? at(target, key) : [list, list === "fits" ? target : (name ?? ""), ...key.split(".")]);
      return [...begins, ...cells.flatMap((cell, right) => {
        const key = columns[column + right];
        return key === undefined || (target >= rows.length && key === called) ? [] : [text(place(key), cell)];
      })];
    });
  const arrow = (row: number, column: number) => (event: KeyboardEvent<HTMLInputElement>) => {
    const down = event.key === "ArrowDown" || event.key === "Enter" ? 1 : event.key === "ArrowUp" ? -1 : 0;
    if (down !== 0) document.getElementById(id(row + down, column))?.focus();
  };
  return (
    <div style={{ overflowX: "auto" }}>
      <table aria-label={plain(list)} style={{ borderCollapse: "collapse", fontSize: 15 }}>
        <thead><tr>{columns.map((key) => <th key={key} scope="col" style={{ textAlign: "left", padding: "2px 6px" }}>{plain(key.split(".").pop()!)}</th>)}<th scope="col"><span style={{ position: "absolute", left: -9999 }}>more</span></th></tr></thead>
        <tbody>
          {rows.map((row, index) => (
            <tr key={`${String(stepOf(row, index))} ${index}`}>
              {columns.map((key, column) => {
                const shape = shapeOf(items, root, key);
                const label = `${plain(key.split(".").pop()!)} of ${String(stepOf(row, index))}`;
                const typed = (told: string) => live.edit([text(at(index, key), told)]);
                return (
                  <td key={key} style={{ padding: 1 }}>
                    {shape?.enum
                      ? <Choice label={label} value={reach(row, key)} options={shape.enum.map(String)} onTyped={typed} />
                      : <Cell id={id(index, column)} label={label} value={reach(row, key)} onTyped={typed} onPaste={paste(index, column)} onArrow={arrow(index, column)} />}
                  </td>
                );
              })}
              <td style={{ whiteSpace: "nowrap" }}>
                <Button size="small" sx={{ minWidth: 24, minHeight: 24, py: 0 }} aria-label={`open ${String(stepOf(row, index))}`} onClick={() => onOpen(list === "fits" ? index : stepOf(row, index))}>open</Button>
                <Button size="small" sx={{ minWidth: 24, minHeight: 24, py: 0 }} aria-label={`take out ${String(stepOf(row, index))}`} onClick={() => void live.edit([remove([list, list === "fits" ? index : stepOf(row, index)])])}>take out</Button>
              </td>
            </tr>
          ))}
          <tr><td colSpan={2}><input aria-label="Paste rows here" placeholder="paste rows here" value="" readOnly onPaste={paste(rows.length, 0)} style={{ font: "inherit", fontSize: 15, width: 200, padding: "3px 5px" }} /></td></tr>
        </tbody>
      </table>
      <div style={{ display: "flex", gap: 20, flexWrap: "wrap" }}>
        <Adding what={plain(list).replace(/s$/, "")} onAdd={(name) => live.edit([add([list], name)])} />
        {list === "models" && <Adding what="column: a trait, by its id" onAdd={async (trait) => { setMore([...more, `traits.${trait}`]); return true; }} />}
      </div>
    </div>
  );
}

/** Single values, those of `spec` and `traits` each by itself. */
function columnsOf(items: Shape, root: Shape, rows: Entry[]): string[] {
  const keys = Object.keys(items.properties ?? {});
  const called = nameKey(items);
  return [called, ...keys.filter((key) => key !== called)].flatMap((key) => {
    const shape = whole(items.properties![key]!, root);
    if (key === "spec") return Object.keys(shape.properties ?? {}).map((one) => `spec.${one}`);
    if (key === "traits") return [...new Set(rows.flatMap((row) => (isEntry(row["traits"]) ? Object.keys(row["traits"]) : [])))].map((one) => `traits.${one}`);
    const field = fieldOf(shape, root);
    return field === "rows" || field === "points" || field === "part" ? [] : [key];
  });
}

function shapeOf(items: Shape, root: Shape, key: string): Shape | undefined {
  return key.split(".").reduce<Shape | undefined>((inside, one) => {
    const next = inside?.properties?.[one];
    return next && whole(next, root);
  }, items);
}
