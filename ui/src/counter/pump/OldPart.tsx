import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import { type FormEvent, useState } from "react";
import { useVocabulary } from "../../api/queries";
import { faint, field, ink, quiet } from "../../shell/theme";
import type { LiveTicket } from "../../ticket/useTicket";

interface Size {
  trait: string;
  label: string;
  /** Where its field stands on the picture, in its own figures. */
  x: number;
  y: number;
}

interface Part {
  name: string;
  sizes: Size[];
  /** A trait that is chosen, not measured. */
  chosen?: string;
}

const WIDE = 420;
const HIGH = 216;

/** What lies in the hand: its sizes where they are measured on it. Which traits these are is the vocabulary's. */
const PARTS: Record<string, Part> = {
  seal: { name: "seal", chosen: "seal_shape", sizes: [{ trait: "seal_id_mm", label: "inside", x: 150, y: 84 }, { trait: "seal_od_mm", label: "outside", x: 150, y: 186 }, { trait: "seal_height_mm", label: "height", x: 345, y: 88 }] },
  oring: { name: "O-ring", sizes: [{ trait: "oring_id_mm", label: "inside", x: 150, y: 84 }, { trait: "oring_section_mm", label: "thick", x: 345, y: 88 }] },
  valve: { name: "valve or seat", sizes: [{ trait: "valve_od_mm", label: "across", x: 150, y: 186 }] },
  spring: { name: "valve spring", chosen: "spring_colour", sizes: [{ trait: "spring_turns", label: "turns", x: 250, y: 92 }] },
  plunger: { name: "plunger", sizes: [{ trait: "plunger_mm", label: "across", x: 150, y: 186 }] },
};

/** An old part laid on a picture: Tab goes from size to size, Enter takes them. */
export function OldPart({ ticket }: { ticket: LiveTicket }) {
  const [kind, setKind] = useState("seal");
  const [typed, setTyped] = useState<Record<string, string>>({});
  const traits = useVocabulary().data?.traits ?? [];
  const part = PARTS[kind]!;
  const named = (id: string) => traits.find((one) => one.id === id)?.name ?? "";
  const send = async (event: FormEvent) => {
    event.preventDefault();
    const told = [...part.sizes.map((size) => size.trait), part.chosen ?? ""].filter((trait) => typed[trait]?.trim());
    for (const trait of told) {
      const value = typed[trait]!.trim();
      const measured = trait.endsWith("_mm");
      const taken = await ticket.add("Old part", { kind: "answered", label: `${named(trait)}: ${value}`, reading: { trait, value: trait === "spring_turns" ? Number(value) : value, observer: "counter", ...(measured ? { tool: "caliper" } : {}) } });
      if (!taken) return;
    }
    setTyped({});
  };
  return (
    <Box component="form" aria-label="An old part in hand" onSubmit={(event: FormEvent) => void send(event)} sx={{ mt: 1 }}>
      <ToggleButtonGroup exclusive size="small" value={kind} onChange={(_, next: string | null) => { if (next) { setKind(next); setTyped({}); } }} aria-label="What it is" sx={{ flexWrap: "wrap" }}>
        {Object.entries(PARTS).map(([id, one]) => <ToggleButton key={id} value={id} sx={{ color: "text.primary" }}>{one.name}</ToggleButton>)}
      </ToggleButtonGroup>
      <Box sx={{ position: "relative", width: WIDE, maxWidth: "100%", height: HIGH }}>
        <svg viewBox={`0 0 ${WIDE} ${HIGH}`} width={WIDE} height={HIGH} aria-hidden style={{ position: "absolute", inset: 0 }}><Drawing kind={kind} /></svg>
        {part.sizes.map((size) => (
          <Box key={size.trait} component="label" sx={{ position: "absolute", left: `${(size.x / WIDE) * 100}%`, top: size.y, transform: "translate(-50%, -50%)", fontSize: 14, lineHeight: 1.2, display: "grid", justifyItems: "center" }}>
            {size.label}
            <Box component="input" aria-label={named(size.trait)} inputMode="decimal" autoComplete="off" maxLength={20} value={typed[size.trait] ?? ""}
              onChange={(event: React.ChangeEvent<HTMLInputElement>) => setTyped({ ...typed, [size.trait]: event.target.value })}
              sx={{ width: 62, font: "inherit", fontSize: 18, color: ink, bgcolor: field, border: `1px solid ${quiet}`, borderRadius: 1, px: 0.5 }} />
          </Box>
        ))}
      </Box>
      {part.chosen && <Choices trait={part.chosen} name={named(part.chosen)} value={typed[part.chosen] ?? ""} onChoose={(value) => setTyped({ ...typed, [part.chosen!]: value })} />}
      <Button type="submit" variant="outlined" sx={{ mt: 1 }}>Take these sizes</Button>
    </Box>
  );
}

function Choices({ trait, name, value, onChoose }: { trait: string; name: string; value: string; onChoose: (value: string) => void }) {
  const values = useVocabulary().data?.traits.find((one) => one.id === trait)?.values ?? [];
  return (
    <ToggleButtonGroup exclusive size="small" value={value} onChange={(_, next: string | null) => onChoose(next ?? "")} aria-label={name} sx={{ flexWrap: "wrap" }}>
      {values.map((one) => <ToggleButton key={one} value={one} sx={{ color: "text.primary" }}>{one}</ToggleButton>)}
    </ToggleButtonGroup>
  );
}

const line = { fill: "none", stroke: ink, strokeWidth: 1.4 };

/** A line with an arrow at either end, between two points. */
const Between = ({ x1, y1, x2, y2 }: { x1: number; y1: number; x2: number; y2: number }) => (
  <g {...line} strokeWidth={1}>
    <line x1={x1} y1={y1} x2={x2} y2={y2} />
    {x1 === x2
      ? <path d={`M${x1 - 4} ${y1 + 6}L${x1} ${y1}L${x1 + 4} ${y1 + 6}M${x2 - 4} ${y2 - 6}L${x2} ${y2}L${x2 + 4} ${y2 - 6}`} />
      : <path d={`M${x1 + 6} ${y1 - 4}L${x1} ${y1}L${x1 + 6} ${y1 + 4}M${x2 - 6} ${y2 - 4}L${x2} ${y2}L${x2 - 6} ${y2 + 4}`} />}
  </g>
);

function Drawing({ kind }: { kind: string }) {
  if (kind === "spring") return <g {...line}>{[0, 1, 2, 3, 4, 5].map((turn) => <ellipse key={turn} cx={120} cy={40 + turn * 24} rx={52} ry={13} />)}</g>;
  if (kind === "valve") return <><g {...line} fill={faint}><path d="M90 50h120v26H90ZM104 76h92l-16 40h-60Z" /></g><Between x1={90} y1={150} x2={210} y2={150} /></>;
  if (kind === "plunger") return <><g {...line} fill={faint}><rect x="100" y="20" width="100" height="110" rx="4" /></g><Between x1={100} y1={150} x2={200} y2={150} /></>;
  return (
    <>
      <g {...line} fill={faint}><circle cx="150" cy="92" r="78" /></g>
      <g {...line} fill={field}><circle cx="150" cy="92" r="52" /></g>
      <Between x1={98} y1={116} x2={202} y2={116} />
      {kind === "seal" && <Between x1={72} y1={160} x2={228} y2={160} />}
      <g {...line} fill={faint}>{kind === "seal" ? <path d="M260 62h30v60h-30ZM260 74l14 18-14 18Z" /> : <circle cx="276" cy="92" r="15" />}</g>
      {kind === "seal" ? <Between x1={260} y1={140} x2={290} y2={140} /> : <Between x1={261} y1={124} x2={291} y2={124} />}
    </>
  );
}
