import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, told } from "../api/client";
import { Pager } from "../shell/Pager";
import { ProblemAlert } from "../shell/ProblemAlert";
import { Table } from "../shell/Table";
import { price } from "../shell/format";
import { Count } from "./Count";
import { OneNumber } from "./OneNumber";
import { PriceForm } from "./PriceForm";
import { PriceListFile } from "./PriceListFile";
import { Face } from "../desk/Face";
import { Ways } from "../desk/Ways";
import { Tax } from "./Tax";
import { useMay } from "../shell/useSession";

/** What lies where, what is free of it, what it costs: found by number or name, moved and counted. */
export function Stock() {
  const may = useMay();
  const [words, setWords] = useState("");
  const [page, setPage] = useState(1);
  const [open, setOpen] = useState<string | null>(null);
  const [counting, setCounting] = useState(false);
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
      <Box sx={{ display: "flex", gap: 2, alignItems: "center", flexWrap: "wrap", mb: 1 }}>
        <TextField size="small" label="find a number or a name" value={words} onChange={(event) => look(event.target.value)} slotProps={{ htmlInput: { maxLength: 40 } }} />
        {may("bookCount") && <Button variant="outlined" onClick={() => setCounting(!counting)}>{counting ? "Stop counting" : "Count a shelf"}</Button>}
        {may("shelfLabels") && <a href={`/api/shelf-labels.pdf?q=${encodeURIComponent(words)}`} target="_blank" rel="noreferrer">shelf labels for these (PDF)</a>}
      </Box>
      {counting && <Count />}
      {open !== null && <OneNumber key={open} number={open} onClose={() => setOpen(null)} />}
      {error && <ProblemAlert>{error.message}</ProblemAlert>}
      {data && (
        <>
          <Table
            name="Stock"
            headings={["number", "what", "for", "shelf", "free", "here", "level", "price"]}
            right={[4, 5, 6, 7]}
            rows={data.prices.map((row) => [
              <Button key="open" size="small" sx={{ p: 0, minWidth: 0 }} onClick={() => setOpen(row.number)}>{row.number}</Button>,
              row.name, row.used_in, row.shelf, <strong key="free">{row.free}</strong>, row.reserved > 0 ? `${row.on_hand}, ${row.reserved} promised` : row.on_hand, row.level, `${price(row.price_cents)}${row.pack > 1 ? ` for ${row.pack}` : ""}`,
            ])}
          />
          <Pager what="numbers" page={data.page} pages={data.pages} total={data.total} onPage={setPage} />
        </>
      )}
      {may("putPrice") && <h2>Change prices</h2>}
      {may("setTax") && <Tax />}
      {may("setWays") && <Ways />}
      {may("setFace") && <Face />}
      {may("putPrice") && <PriceForm />}
      {may("uploadPrices") && <PriceListFile />}
    </>
  );
}
