import Box from "@mui/material/Box";
import TextField from "@mui/material/TextField";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, told } from "../api/client";
import { Pager } from "../shell/Pager";
import { Table } from "../shell/Table";
import { price } from "../shell/format";
import { PriceForm } from "./PriceForm";
import { PriceListFile } from "./PriceListFile";
import { ProblemAlert } from "../shell/ProblemAlert";

/** What each number costs and how many lie here: found, changed one by one, or by a list. */
export function Prices() {
  const [words, setWords] = useState("");
  const [page, setPage] = useState(1);
  const { data, error } = useQuery({
    queryKey: ["prices", words, page],
    queryFn: () => told(api.GET("/api/prices", { params: { query: { q: words, page } } })),
    placeholderData: keepPreviousData,
  });
  const look = (text: string) => {
    setWords(text);
    setPage(1);
  };
  return (
    <>
      <PriceListFile />
      <Box sx={{ display: "flex", gap: 2, alignItems: "start", flexWrap: "wrap", mb: 1 }}>
        <TextField size="small" label="find a number" value={words} onChange={(event) => look(event.target.value)} slotProps={{ htmlInput: { maxLength: 40 } }} />
        <PriceForm />
      </Box>
      {error && <ProblemAlert>{error.message}</ProblemAlert>}
      {data && (
        <>
          <Table name="Prices" headings={["number", "price", "here", "pack"]} right={[1, 2, 3]} rows={data.prices.map((row) => [row.number, price(row.price_cents), row.on_hand, row.pack])} />
          <Pager what="prices" page={data.page} pages={data.pages} total={data.total} onPage={setPage} />
        </>
      )}
    </>
  );
}
