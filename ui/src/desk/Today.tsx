import Box from "@mui/material/Box";
import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { Link, useNavigate } from "react-router";
import { api, told } from "../api/client";
import { ProblemAlert } from "../shell/ProblemAlert";
import { keys, useKeys } from "../shell/keys";
import { dated, waited } from "../shell/format";
import { petrol, rule } from "../shell/theme";

const LOOK_AGAIN_MS = 5000;

/** What the day waits for, one pile for each thing that is to be done next. A key opens the first of its pile. */
export function Today() {
  const { data, error } = useQuery({ queryKey: ["today"], queryFn: () => told(api.GET("/api/today")), refetchInterval: LOOK_AGAIN_MS });
  const navigate = useNavigate();
  // A pile keeps its key, whatever else waits.
  const piles = useMemo(() => (data?.piles ?? []).map((pile, nth) => ({ ...pile, nth })).filter((pile) => pile.total > 0), [data]);
  useKeys(useMemo(() => ({
    pile: (nth: number) => {
      const first = piles.find((pile) => pile.nth === nth)?.rows[0];
      if (first) void navigate(first.to);
    },
  }), [piles, navigate]));
  return (
    <>
      {error && <ProblemAlert>{error.message}</ProblemAlert>}
      {data && piles.length === 0 && <p>Nothing waits. A call begins at <Link to="/">the counter</Link>.</p>}
      <Box sx={{ columnCount: { xs: 1, md: 2, xl: 3 }, columnGap: 2.5 }}>
        {piles.map((pile) => (
          <Box component="section" key={pile.id} aria-label={pile.name} sx={{ breakInside: "avoid", mb: 2 }}>
            <Box sx={{ display: "flex", alignItems: "baseline", gap: 1, borderBottom: `3px solid ${petrol}` }}>
              <h2 style={{ margin: 0 }}>{pile.name}</h2>
              <strong style={{ fontSize: 18 }}>{pile.total}</strong>
              <kbd style={{ marginLeft: "auto", border: `1px solid ${rule}`, borderRadius: 3, padding: "0 7px", fontSize: 14 }}>{keys.pile.among![pile.nth]}</kbd>
            </Box>
            {pile.rows.map((row) => (
              <Link key={row.to + row.what} to={row.to} style={{ display: "block", color: "inherit", textDecoration: "none", padding: "3px 0", borderBottom: `1px solid ${rule}` }}>
                <Box sx={{ display: "flex", gap: 1, justifyContent: "space-between" }}><strong>{row.what}</strong><span style={{ whiteSpace: "nowrap", fontSize: 14 }}>{row.since ? waited(row.since) : ""}</span></Box>
                <Box sx={{ fontSize: 15 }}>{dated(row.detail)}</Box>
              </Link>
            ))}
            {pile.total > pile.rows.length && <div style={{ fontSize: 14 }}>and {pile.total - pile.rows.length} more</div>}
          </Box>
        ))}
      </Box>
    </>
  );
}
