import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import type { Diagnosis } from "../../api/types";
import { percent } from "../../shell/format";
import { faint, petrol } from "../../shell/theme";
import type { LiveTicket } from "../../ticket/useTicket";
import { Muted } from "../../shell/text";
import { ToldCloser } from "./ToldCloser";

const CHECKS = 2;
/** So many of the likeliest causes say what they rest on. */
const EXPLAINED = 2;

interface Props {
  ticket: LiveTicket;
  diagnosis: Diagnosis;
  complaints: string[];
  onTake: (areas: string[]) => void;
  /** Told as the caller would say it. */
  onTell: (words: string) => void;
  /** The pump is shown to point at. */
  pictured: boolean;
}

/** What the complaint points to, what to rule out first, and the least work that is likely to mend it. */
export function DiagnosisPanel({ ticket, diagnosis, complaints, onTake, onTell, pictured }: Props) {
  const checks = [...diagnosis.rule_out, ...diagnosis.checks.filter((one) => diagnosis.rule_out.every((other) => other.id !== one.id))].slice(0, CHECKS);
  const answer = (check: string, result: "yes" | "no" | null) => void ticket.add("Work", { kind: "checked", check, result });
  return (
    <Box component="section" aria-label="What the complaint points to" sx={{ border: "1px solid", borderColor: "divider", borderRadius: 1, p: 1.25, mb: 1.5 }}>
      {diagnosis.closer && !pictured && <ToldCloser question={diagnosis.closer} onTell={onTell} />}
      {complaints.length > 0 && <div><strong>Complaint:</strong> {complaints.join(", ")}.</div>}
      {diagnosis.checked.length > 0 && (
        <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap", alignItems: "center" }}>
          <strong>Checked:</strong>
          {diagnosis.checked.map((one) => <Button key={one.id} size="small" onClick={() => answer(one.id, null)} aria-label={`${one.name}: ${one.result}, take back`}>{one.name}: {one.result}</Button>)}
        </Box>
      )}
      <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", md: "1fr 1fr" }, gap: 2, mt: 1 }}>
        <Box component="ol" aria-label="Likely causes" sx={{ listStyle: "none", m: 0, p: 0 }}>
          {diagnosis.suspects.map((one, index) => (
            <Box component="li" key={one.id} sx={{ mb: 0.5, fontSize: 15 }}>
              <Box sx={{ display: "flex", justifyContent: "space-between" }}>
                <span><strong>{one.name}</strong></span><span>{percent(one.probability)}</span>
              </Box>
              <Box sx={{ height: 6, bgcolor: faint, borderRadius: 1 }}>
                <Box sx={{ height: 6, width: `${one.probability * 100}%`, borderRadius: 1, bgcolor: one.pump ? petrol : "transparent", border: one.pump ? "none" : `1px dashed ${petrol}`, boxSizing: "border-box" }} />
              </Box>
              {one.finer.length > 0 && <Muted>of these, or {one.finer.map((other) => `${other.name} ${percent(other.probability)}`).join(", ")}</Muted>}
              {index < EXPLAINED && <Muted>{one.because}</Muted>}
              {index < EXPLAINED && one.mend && <Box sx={{ fontSize: 14 }}>{one.mend}</Box>}
            </Box>
          ))}
        </Box>
        <Box>
          {checks.length > 0 && <strong>{diagnosis.rule_out.length > 0 ? "Rule out first" : "Would tell most"}</strong>}
          {checks.map((one) => (
            <Box key={one.id} sx={{ mb: 0.75, display: "flex", gap: 1, alignItems: "start", fontSize: 15 }}>
              <Box sx={{ flex: 1 }}>
                {one.ask} <Box component="span" sx={{ color: "text.secondary" }}>({one.minutes} min)</Box>
                {one.sum && <Box sx={{ fontSize: 14 }}>{one.sum}</Box>}
              </Box>
              <Button size="small" variant="outlined" sx={{ minWidth: 44 }} onClick={() => answer(one.id, "yes")} aria-label={`${one.ask} Yes`}>yes</Button>
              <Button size="small" variant="outlined" sx={{ minWidth: 44 }} onClick={() => answer(one.id, "no")} aria-label={`${one.ask} No`}>no</Button>
            </Box>
          ))}
        </Box>
      </Box>
      <LeastWork diagnosis={diagnosis} onTake={onTake} />
    </Box>
  );
}

/** The least work that is sensible, and what it would leave. */
function LeastWork({ diagnosis, onTake }: Pick<Props, "diagnosis" | "onTake">) {
  if (diagnosis.no_parts) return <Box sx={{ mt: 0.5 }}><strong>{diagnosis.no_parts}</strong></Box>;
  return (
    <Box sx={{ mt: 0.5 }}>
      <Button variant="outlined" onClick={() => onTake(diagnosis.scope.map((one) => one.id))}>Least that should mend it: {diagnosis.scope.map((one) => one.name).join(", ")} ({percent(diagnosis.enough)})</Button>
      {diagnosis.left.length > 0 && <Muted>If it is {diagnosis.left.map((one) => `${one.name} (${percent(one.probability)})`).join(" or ")}, it has to be opened once more.</Muted>}
    </Box>
  );
}
