import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import NativeSelect from "@mui/material/NativeSelect";
import TextField from "@mui/material/TextField";
import { useMutation, useQuery } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { api, told } from "../api/client";
import { useVocabulary } from "../api/queries";
import type { components } from "../api/schema";
import { useStale } from "../api/stale";
import { clock } from "../shell/format";
import { Table } from "../shell/Table";
import { ProblemAlert } from "../shell/ProblemAlert";

type Member = components["schemas"]["StaffMember"];
type Role = Member["role"];

const SCRIPT = "script";

/** Who may sign in as what, and which scripts may ask. The same name again gives a person another role and secret. */
export function People() {
  const stale = useStale();
  const vocabulary = useVocabulary().data;
  const { data, error } = useQuery({ queryKey: ["people"], queryFn: () => told(api.GET("/api/people")) });
  const [kind, setKind] = useState("person");
  const [name, setName] = useState("");
  const [role, setRole] = useState<Role>("counter");
  const [secret, setSecret] = useState("");
  const refresh = () => stale("people");
  const put = useMutation({
    mutationFn: async () => {
      if (kind === SCRIPT) return (await told(api.POST("/api/tokens", { body: { name, role } }))).token;
      await told(api.POST("/api/people", { body: { name, role, secret } }));
      return null;
    },
    onSuccess: () => {
      setName("");
      setSecret("");
      refresh();
      stale("session");
    },
  });
  const leave = useMutation({ mutationFn: (who: string) => told(api.POST("/api/people/leave", { body: { name: who } })), onSuccess: refresh });
  const [going, setGoing] = useState<string | null>(null);
  const letGo = (who: string) => {
    if (going === who) leave.mutate(who);
    setGoing(going === who ? null : who);
  };
  const send = (event: FormEvent) => {
    event.preventDefault();
    put.mutate();
  };
  const state = (one: Member) => (one.kind === SCRIPT ? "a script’s token" : one.locked_until && new Date(one.locked_until) > new Date() ? `locked until ${clock(one.locked_until)}` : "");
  return (
    <>
      {error && <ProblemAlert>{error.message}</ProblemAlert>}
      {data && (
        <Table
          name="People"
          headings={["name", "role", "", "leaves"]}
          rows={data.staff.map((one) => [one.name, one.role, state(one), <Button key="leave" size="small" variant={going === one.name ? "contained" : "text"} onClick={() => letGo(one.name)}>{going === one.name ? "press again: " : ""}{one.kind === SCRIPT ? `end the token of ${one.name}` : `${one.name} leaves`}</Button>])}
        />
      )}
      {leave.error && <ProblemAlert>{leave.error.message}</ProblemAlert>}
      <Box component="form" onSubmit={send} aria-label="Someone new" sx={{ display: "flex", gap: 1.5, mt: 2, flexWrap: "wrap", alignItems: "center" }}>
        <NativeSelect value={kind} onChange={(event) => setKind(event.target.value)} inputProps={{ "aria-label": "A person or a script" }}>
          <option value="person">a person</option>
          <option value={SCRIPT}>a script</option>
        </NativeSelect>
        <TextField size="small" label="name" value={name} onChange={(event) => setName(event.target.value)} slotProps={{ htmlInput: { maxLength: 80 } }} />
        <NativeSelect value={role} onChange={(event) => setRole(event.target.value as Role)} inputProps={{ "aria-label": "Role" }}>
          {vocabulary?.roles.map((one) => <option key={one} value={one}>{one}</option>)}
        </NativeSelect>
        {kind === "person" && <TextField size="small" type="password" label="PIN or password" value={secret} onChange={(event) => setSecret(event.target.value)} slotProps={{ htmlInput: { maxLength: 72, autoComplete: "new-password" } }} />}
        <Button type="submit" variant="contained" disabled={put.isPending || name.trim() === ""}>{kind === "person" ? "Let them sign in" : "Make a token"}</Button>
      </Box>
      {put.error && <ProblemAlert>{put.error.message}</ProblemAlert>}
      {put.data && <Box role="status" sx={{ my: 1, overflowWrap: "anywhere" }}>Keep this token, it is not shown again: <code>{put.data}</code></Box>}
    </>
  );
}
