import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { type FormEvent, type KeyboardEvent, useState } from "react";
import type { components } from "../api/schema";
import { bar, onBar } from "./theme";
import { useSignIn } from "./useSession";
import { Small } from "./text";
import { ProblemAlert } from "./ProblemAlert";

type Session = components["schemas"]["Session"];

/**
 * Who is it? Where names are told, a figure picks one, then the PIN; elsewhere the name is typed. The demo on its own machine asks for no PIN.
 */
export function SignIn({ session }: { session: Session }) {
  const told = session.people.length > 0;
  const [name, setName] = useState<string | null>(told ? null : "");
  const [secret, setSecret] = useState("");
  const [typing, setTyping] = useState(!told);
  const { come } = useSignIn();
  const pick = (who: string) => {
    setTyping(false);
    if (session.demo) come.mutate({ name: who });
    else setName(who);
  };
  const other = () => {
    setName("");
    setTyping(true);
  };
  const onKey = (event: KeyboardEvent) => {
    const who = session.people[Number(event.key) - 1];
    if (name === null && who) {
      event.preventDefault();
      pick(who.name);
    }
  };
  const send = (event: FormEvent) => {
    event.preventDefault();
    if (name) come.mutate({ name: name.trim(), secret }, { onError: () => setSecret("") });
  };
  return (
    <Box component="main" onKeyDown={onKey} sx={{ minHeight: "100vh", display: "grid", placeItems: "center" }}>
      <Box sx={{ width: 420, maxWidth: "92vw", bgcolor: "background.paper", border: "1px solid", borderColor: "divider", borderRadius: 1, overflow: "hidden" }}>
        <Box component="h1" sx={{ m: 0, px: 2.5, py: 1.5, bgcolor: bar, color: onBar, fontSize: 21 }}>gimlet: who is it?</Box>
        <Box sx={{ p: 2.5, display: "grid", gap: 1 }}>
          {session.people.map((person, index) => (
            <Button key={person.name} autoFocus={index === 0} variant={name === person.name ? "contained" : "outlined"} onClick={() => pick(person.name)} sx={{ justifyContent: "flex-start", fontSize: 18 }}>
              {index + 1} · {person.name} <Box component="span" sx={{ ml: 1, fontWeight: 400 }}>{person.role}</Box>
            </Button>
          ))}
          {told && !session.demo && !typing && <Button onClick={other} sx={{ justifyContent: "flex-start" }}>Somebody else</Button>}
          {session.demo && <Small>This is the demo: press a figure, no PIN is asked for on this machine.</Small>}
          {name !== null && (
            <Box component="form" onSubmit={send} sx={{ display: "grid", gap: 1.25, mt: 1 }}>
              {typing && <TextField autoFocus fullWidth label="Your name" value={name} onChange={(event) => setName(event.target.value)} slotProps={{ htmlInput: { autoComplete: "username", maxLength: 80 } }} />}
              <Box sx={{ display: "flex", gap: 1 }}>
                <TextField key={come.submittedAt} autoFocus={!typing || come.isError} fullWidth type="password" label={typing ? "PIN or password" : `PIN or password of ${name}`} value={secret} onChange={(event) => setSecret(event.target.value)} slotProps={{ htmlInput: { autoComplete: "current-password", maxLength: 72 } }} />
                <Button type="submit" variant="contained" disabled={secret === "" || name.trim() === ""} sx={{ whiteSpace: "nowrap", flexShrink: 0 }}>Sign in</Button>
              </Box>
            </Box>
          )}
          {come.error && <ProblemAlert>{come.error.message}</ProblemAlert>}
        </Box>
      </Box>
    </Box>
  );
}
