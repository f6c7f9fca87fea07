import { createTheme } from "@mui/material/styles";

export const ink = "#1b2629";
export const paper = "#f3efe6";
export const petrol = "#0f4c52";
/** Only ever behind a caution. */
export const cautionColour = "#ffc53d";

export const theme = createTheme({
  palette: {
    primary: { main: petrol },
    secondary: { main: "#6b4423" },
    background: { default: paper, paper: "#fffdf8" },
    text: { primary: ink, secondary: "#45555a" },
    divider: "#cfc7b6",
  },
  shape: { borderRadius: 4 },
  typography: {
    fontFamily: '"Atkinson Hyperlegible", sans-serif',
    fontSize: 15,
    button: { textTransform: "none", fontWeight: 700 },
  },
  components: {
    MuiButton: { defaultProps: { disableElevation: true } },
    MuiCssBaseline: { styleOverrides: { ":focus-visible": { outline: `3px solid ${petrol}`, outlineOffset: 2 } } },
    MuiTableCell: { styleOverrides: { root: { padding: "5px 10px", borderColor: "#ddd6c6" }, head: { fontWeight: 700 } } },
  },
});
