import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { type FormEvent, type KeyboardEvent, useState } from "react";
import type { components } from "../api/schema";
import { paper, petrol } from "./theme";
import { useSignIn } from "./useSession";

type Session = components["schemas"]["Session"];

/** Who is it? A figure picks the name; then the PIN. The demo on its own machine asks for none. */
export function SignIn({ session }: { session: Session }) {
  const [name, setName] = useState<string | null>(null);
  const [secret, setSecret] = useState("");
  const { come } = useSignIn();
  const pick = (who: string) => {
    if (session.demo) come.mutate({ name: who });
    else setName(who);
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
    if (name) come.mutate({ name, secret }, { onError: () => setSecret("") });
  };
  return (
    <Box component="main" onKeyDown={onKey} sx={{ minHeight: "100vh", display: "grid", placeItems: "center" }}>
      <Box sx={{ width: 420, maxWidth: "92vw", bgcolor: "background.paper", border: "1px solid", borderColor: "divider", borderRadius: 1, overflow: "hidden" }}>
        <Box component="h1" sx={{ m: 0, px: 2.5, py: 1.5, bgcolor: petrol, color: paper, fontSize: 21 }}>gimlet: who is it?</Box>
        <Box sx={{ p: 2.5, display: "grid", gap: 1 }}>
          {session.people.map((person, index) => (
            <Button key={person.name} autoFocus={index === 0} variant={name === person.name ? "contained" : "outlined"} onClick={() => pick(person.name)} sx={{ justifyContent: "flex-start", fontSize: 18 }}>
              {index + 1} · {person.name} <Box component="span" sx={{ ml: 1, fontWeight: 400 }}>{person.role}</Box>
            </Button>
          ))}
          {session.demo && <Box sx={{ fontSize: 15 }}>This is the demo: press a figure, no PIN is asked for on this machine.</Box>}
          {name && (
            <Box component="form" onSubmit={send} sx={{ display: "flex", gap: 1, mt: 1 }}>
              <TextField key={come.submittedAt} autoFocus fullWidth type="password" label={`PIN or password of ${name}`} value={secret} onChange={(event) => setSecret(event.target.value)} slotProps={{ htmlInput: { autoComplete: "current-password", maxLength: 72 } }} />
              <Button type="submit" variant="contained" disabled={secret === ""}>Sign in</Button>
            </Box>
          )}
          {come.error && <Alert severity="error">{come.error.message}</Alert>}
        </Box>
      </Box>
    </Box>
  );
}
