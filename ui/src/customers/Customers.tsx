import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { keepPreviousData, useMutation, useQuery } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { Link, useNavigate } from "react-router";
import { api, told } from "../api/client";
import { useStale } from "../api/stale";
import { ProblemAlert } from "../shell/ProblemAlert";
import { Table } from "../shell/Table";
import { Small } from "../shell/text";
import { freshKey } from "../ticket/key";

const SHOWN = 60;

/** Everybody who calls: found by any part of name, place, phone or pump, and written down in one line. */
export function Customers() {
  const [words, setWords] = useState("");
  const [line, setLine] = useState("");
  const stale = useStale();
  const navigate = useNavigate();
  const { data, error } = useQuery({
    queryKey: ["customers", "found", words],
    queryFn: () => told(api.GET("/api/customers", { params: { query: { q: words } } })),
    placeholderData: keepPreviousData,
  });
  const adding = useMutation({
    mutationFn: () => told(api.POST("/api/customers", { body: { key: freshKey(), line } })),
    onSuccess: (customer) => {
      stale("customer");
      void navigate(`/desk/customers/${customer.id}`);
    },
  });
  const add = (event: FormEvent) => {
    event.preventDefault();
    adding.mutate();
  };
  return (
    <>
      <Box sx={{ display: "flex", gap: 2, flexWrap: "wrap", mb: 1, alignItems: "center" }}>
        <TextField size="small" label="find by name, place, phone, pump" value={words} onChange={(event) => setWords(event.target.value)} sx={{ width: 280 }} slotProps={{ htmlInput: { maxLength: 200 } }} />
        <Box component="form" onSubmit={add} aria-label="New customer" sx={{ display: "flex", flexWrap: "wrap", gap: 1 }}>
          <TextField size="small" label="new: name, place, phone" value={line} onChange={(event) => setLine(event.target.value)} sx={{ width: 340 }} slotProps={{ htmlInput: { maxLength: 300 } }} />
          <Button type="submit" variant="outlined" disabled={line.trim() === "" || adding.isPending}>Write down</Button>
        </Box>
        <span>What is due: <a href="/api/due.pdf" target="_blank" rel="noreferrer">on paper</a> · <a href="/api/due.ics" download>as a calendar</a></span>
      </Box>
      {(error ?? adding.error) && <ProblemAlert>{(error ?? adding.error)!.message}</ProblemAlert>}
      {data && (
        <>
          <Table
            name="Customers"
            headings={["name", "place", "phone", "pumps"]}
            rows={data.slice(0, SHOWN).map((one) => [<Link key="name" to={`/desk/customers/${one.id}`}>{one.name}</Link>, one.place, one.phone, one.pumps.join(", ")])}
          />
          {data.length > SHOWN && <Small>and {data.length - SHOWN} more: type more of what you know.</Small>}
          {data.length === 0 && <p>Nobody has “{words}”.</p>}
        </>
      )}
    </>
  );
}
