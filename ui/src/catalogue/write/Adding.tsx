import { type FormEvent, useState } from "react";
import Button from "@mui/material/Button";

/** A new row is called something first. */
export function Adding({ what, of, onAdd }: { what: string; of?: string | undefined; onAdd: (name: string) => Promise<boolean> }) {
  const [name, setName] = useState("");
  const send = (event: FormEvent) => {
    event.preventDefault();
    event.stopPropagation();
    if (name.trim() !== "") void onAdd(name.trim()).then((taken) => taken && setName(""));
  };
  return (
    <form onSubmit={send} style={{ display: "flex", gap: 6, margin: "6px 0" }}>
      <input aria-label={`New ${what}${of ? ` of ${of}` : ""}`} placeholder={`new ${what}`} value={name} maxLength={60} onChange={(event) => setName(event.target.value)} style={{ font: "inherit", fontSize: 15, padding: "3px 5px", width: 200 }} />
      <Button type="submit" size="small" variant="outlined" disabled={name.trim() === ""}>Add</Button>
    </form>
  );
}
