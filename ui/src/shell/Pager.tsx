import Box from "@mui/material/Box";
import Button from "@mui/material/Button";

interface Props {
  what: string;
  page: number;
  pages: number;
  total: number;
  onPage: (page: number) => void;
}

/** How many there are, and the way to the next page. */
export function Pager({ what, page, pages, total, onPage }: Props) {
  return (
    <Box component="nav" aria-label={`Pages of ${what}`} sx={{ display: "flex", gap: 1, alignItems: "center", mt: 0.5 }}>
      <span>{total} {total === 1 ? what.replace(/s$/, "") : what}{pages > 1 ? `, page ${page} of ${pages}` : ""}</span>
      {pages > 1 && <Button size="small" disabled={page <= 1} onClick={() => onPage(page - 1)}>earlier page</Button>}
      {pages > 1 && <Button size="small" disabled={page >= pages} onClick={() => onPage(page + 1)}>next page</Button>}
    </Box>
  );
}
