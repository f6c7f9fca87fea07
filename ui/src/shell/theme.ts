import { createTheme } from "@mui/material/styles";

export const ink = "#1b2629";
const quiet = "#45555a";
export const paper = "#f3efe6";
export const petrol = "#0f4c52";
/** What is read and written on. */
export const surface = "#fffdf8";
export const rule = "#cfc7b6";
export const faint = "#e6dfd0";
/** Only ever behind a caution. */
export const cautionColour = "#ffc53d";

export const theme = createTheme({
  palette: {
    primary: { main: petrol },
    secondary: { main: "#6b4423" },
    background: { default: paper, paper: surface },
    text: { primary: ink, secondary: quiet },
    divider: rule,
  },
  shape: { borderRadius: 4 },
  typography: {
    fontFamily: '"Atkinson Hyperlegible", sans-serif',
    fontSize: 15,
    button: { textTransform: "none", fontWeight: 700 },
    body2: { fontSize: 15 },
    caption: { fontSize: 14, color: quiet },
  },
  components: {
    MuiButton: { defaultProps: { disableElevation: true } },
    MuiCssBaseline: { styleOverrides: {
      ":focus-visible": { outline: `3px solid ${petrol}`, outlineOffset: 2 },
      a: { color: petrol },
      h1: { fontSize: 20, margin: "0 0 8px" },
      h2: { fontSize: 18, margin: "8px 0 4px" },
      p: { margin: "6px 0" },
      ul: { margin: "4px 0", paddingLeft: 20 },
      "@media print": { ".no-print": { display: "none !important" }, body: { background: "white" } },
      summary: { fontWeight: 700, cursor: "pointer" },
    } },
    MuiTableCell: { styleOverrides: { root: { padding: "5px 10px", borderColor: faint }, head: { fontWeight: 700 } } },
  },
});
