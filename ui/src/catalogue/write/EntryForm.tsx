import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { Adding } from "./Adding";
import { Cell, Choice } from "./Cell";
import { type Entry, fieldOf, isEntry, nameKey, plain, type Shape, shown, type Step, stepOf, type Value, whole } from "./shape";
import { add, move, remove, text, type LiveDraft } from "./useDraft";

interface Props {
  live: LiveDraft;
  root: Shape;
  shape: Shape;
  value: Entry;
  at: Step[];
}

/** One entry of the document, field by field, as the format lists them. */
export function EntryForm({ live, root, shape, value, at }: Props) {
  const own = whole(shape, root, value);
  return (
    <Box sx={{ display: "grid", gridTemplateColumns: "minmax(90px, 130px) minmax(0, 1fr)", gap: "4px 10px", alignItems: "baseline" }}>
      {Object.entries(own.properties ?? {}).map(([key, inner]) => (
        <FieldRow key={key} live={live} root={root} shape={whole(inner, root, value[key])} value={value[key]} at={[...at, key]} name={key} required={own.required?.includes(key) ?? false} />
      ))}
    </Box>
  );
}

function FieldRow({ name, required, ...one }: { live: LiveDraft; root: Shape; shape: Shape; value: Value; at: Step[]; name: string; required: boolean }) {
  const kind = fieldOf(one.shape, one.root);
  const label = plain(name);
  return (
    <>
      <span title={one.shape.description} style={{ fontWeight: required ? 700 : 400, textAlign: "right" }}>{label}</span>
      <div style={{ minWidth: 0 }}>
        {kind === "choice" && <Choice label={`${label} of ${one.at.slice(0, -1).join(" ")}`} value={one.value} options={(one.shape.enum ?? []).map(String)} onTyped={(typed) => one.live.edit([text(one.at, typed)])} />}
        {kind === "yes" && <Choice label={`${label} of ${one.at.slice(0, -1).join(" ")}`} value={one.value} options={["yes", "no"]} onTyped={(typed) => one.live.edit([text(one.at, typed)])} />}
        {kind === "words" && <Cell wide label={`${label} of ${one.at.slice(0, -1).join(" ")}`} value={one.value} onTyped={(typed) => one.live.edit([text(one.at, typed)])} />}
        {kind === "part" && (isEntry(one.value) || one.at.length > 1) && <Nested><EntryForm {...one} value={isEntry(one.value) ? one.value : {}} /></Nested>}
        {name === "checked" && one.live.readIn && <Button size="small" variant="outlined" onClick={() => void one.live.edit([{ at: one.at.slice(0, -1), kind: "read", text: one.live.readIn! }])}>I have read this against “{one.live.readIn}”</Button>}
        {(kind === "rows" || kind === "points") && <Rows {...one} value={Array.isArray(one.value) ? one.value : []} what={label} />}
      </div>
    </>
  );
}

const Nested = ({ children }: { children: React.ReactNode }) => <Box sx={{ borderLeft: "3px solid", borderColor: "divider", pl: 1 }}>{children}</Box>;

/** Rows of an entry, in their order: each to be changed, moved, taken out. */
export function Rows({ live, root, shape, value, at, what }: { live: LiveDraft; root: Shape; shape: Shape; value: Value[]; at: Step[]; what: string }) {
  const items = whole(shape.items ?? {}, root);
  return (
    <Nested>
      {value.map((row, index) => {
        const step = stepOf(row, index);
        const place = [...at, index];
        return (
          <Box key={`${String(step)} ${index}`} sx={{ display: "flex", alignItems: "start" }}>
          <details style={{ flex: 1, minWidth: 0 }} open={value.length < 4 || Array.isArray(row)}>
            <summary style={{ fontWeight: 400 }}>
              <strong>{typeof step === "string" ? step : `${index + 1}.`}</strong> {isEntry(row) ? shown(row["text"] ?? row["name"] ?? row["kind"]).slice(0, 70) : ""}
            </summary>
            {Array.isArray(row)
              ? (items.prefixItems ?? []).map((_, cell) => <Cell key={cell} small label={`${what} ${String(step)}, ${cell + 1} of ${at.slice(0, -1).join(" ")}`} value={row[cell]} onTyped={(typed) => live.edit([text([...place, cell], typed)])} />)
              : isEntry(row) ? <EntryForm live={live} root={root} shape={items} value={row} at={place} />
              : <Cell wide label={`${what} ${index + 1}`} value={row} onTyped={(typed) => live.edit([{ at: place, kind: "value", value: typed }])} />}
          </details>
          <RowButtons live={live} place={place} index={index} last={value.length - 1} name={String(step)} />
          </Box>
        );
      })}
      <NewRow live={live} items={items} at={at} count={value.length} what={what} />
    </Nested>
  );
}

export const RowButtons = ({ live, place, index, last, name }: { live: LiveDraft; place: Step[]; index: number; last: number; name: string }) => (
  <span style={{ marginLeft: 8, whiteSpace: "nowrap" }}>
    {index > 0 && <Small label={`${name} up`} onClick={() => void live.edit([move(place, index - 1)])}>up</Small>}
    {index < last && <Small label={`${name} down`} onClick={() => void live.edit([move(place, index + 1)])}>down</Small>}
    <Small label={`take out ${name}`} onClick={() => void live.edit([remove(place)])}>take out</Small>
  </span>
);

const Small = ({ label, onClick, children }: { label: string; onClick: () => void; children: string }) => (
  <Button size="small" sx={{ minWidth: 24, minHeight: 24, py: 0, px: 0.75 }} aria-label={label} onClick={(event) => { event.preventDefault(); onClick(); }}>{children}</Button>
);

/** A row without a name of its own, with its first word in the place where it belongs. */
function begun(items: Shape, word: string): Value {
  if (items.oneOf?.some((one) => one.type === "string")) return word;
  const first = items.required?.[0] ?? items.oneOf?.[0]?.required?.[0] ?? "text";
  const inner = items.properties?.[first];
  if (inner?.type !== "array") return { [first]: word };
  return { [first]: inner.items?.type === "string" ? [word] : [] };
}

/** By what it is called; a row without a name begins with its first word. */
export function NewRow({ live, items, at, count, what }: { live: LiveDraft; items: Shape; at: Step[]; count: number; what: string }) {
  const of = at.length > 1 ? at.slice(0, -1).join(" ") : undefined;
  const named = items.prefixItems || items.properties?.[nameKey(items)];
  const kinds = items.properties?.["kind"]?.enum as string[] | undefined;
  if (kinds && !named) return <Adding what={`${what}: ${kinds.join(", ")}`} of={of} onAdd={(kind) => live.edit([{ at: [...at, count], kind: "value", value: { kind } }])} />;
  return <Adding what={what} of={of} onAdd={(name) => live.edit(named ? [add(at, name)] : [{ at: [...at, count], kind: "value", value: begun(items, name) }])} />;
}
