import Box from "@mui/material/Box";
import Link from "@mui/material/Link";
import TextField from "@mui/material/TextField";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, told } from "../api/client";
import { clock } from "../shell/format";
import { Pager } from "../shell/Pager";
import { Table } from "../shell/Table";
import { ProblemAlert } from "../shell/ProblemAlert";

/** One day of it, the latest first; nothing here can be altered. */
export function HistoryDesk() {
  const [day, setDay] = useState("");
  const [words, setWords] = useState("");
  const [page, setPage] = useState(1);
  const { data, error } = useQuery({
    queryKey: ["history", day, words, page],
    queryFn: () => told(api.GET("/api/history", { params: { query: { ...(day && { day }), q: words, page } } })),
    placeholderData: keepPreviousData,
  });
  return (
    <>
      <Box sx={{ display: "flex", gap: 2, alignItems: "center", mb: 1 }}>
        <TextField size="small" type="date" label="day (UTC)" value={day || (data?.day ?? "")} onChange={(event) => { setDay(event.target.value); setPage(1); }} slotProps={{ inputLabel: { shrink: true } }} />
        <TextField size="small" label="find in it" value={words} onChange={(event) => { setWords(event.target.value); setPage(1); }} slotProps={{ htmlInput: { maxLength: 200 } }} />
        <Link href="/api/history.csv" download>all of it as a table (CSV)</Link>
      </Box>
      {error && <ProblemAlert>{error.message}</ProblemAlert>}
      {data && (
        <>
          <Table name="History" headings={["at", "who", "what", "where", "in its words"]} rows={data.entries.map((one) => [clock(one.at), one.who, one.what, one.place, one.detail])} />
          <Pager what="entries" page={data.page} pages={data.pages} total={data.total} onPage={setPage} />
        </>
      )}
    </>
  );
}
